#include "io/log_file.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/base/decimal.h"
#include "io/csv_rows.h"
#include "io/json_answer.h"

namespace wl {
namespace {

using Json = nlohmann::ordered_json;

constexpr size_t kMostLogBytes = 256u << 20;
constexpr size_t kMostRecords = 200000;
constexpr int kLogVersion = 1;

template <class T>
std::string keyOf(const LogField<T>& field) {
    const bool plain = !std::holds_alternative<std::optional<double> T::*>(field.member);
    return std::string(field.name) +
           (plain ? std::string() : std::string(fileSuffix(field.quantity)));
}

template <class T>
struct Kind;
template <>
struct Kind<LogBait> {
    static constexpr const char* what = "bait";
    static constexpr const char* list = "baits";
};
template <>
struct Kind<LogCopy> {
    static constexpr const char* what = "copy";
    static constexpr const char* list = "copies";
};
template <>
struct Kind<LogOuting> {
    static constexpr const char* what = "outing";
    static constexpr const char* list = "outings";
};
template <>
struct Kind<LogNote> {
    static constexpr const char* what = "note";
    static constexpr const char* list = "notes";
};

template <class F>
void eachList(F&& f) {
    f.template operator()<LogBait>(&WaterLog::baits);
    f.template operator()<LogCopy>(&WaterLog::copies);
    f.template operator()<LogOuting>(&WaterLog::outings);
    f.template operator()<LogNote>(&WaterLog::notes);
}

// What a cell says; empty where there is nothing.
template <class T>
std::string cellOf(const T& record, const LogField<T>& field) {
    return std::visit(
        [&](const auto& member) -> std::string {
            using M = std::decay_t<decltype(member)>;
            if constexpr (std::is_same_v<M, typename LogField<T>::Choice>) {
                return std::string(member.names[member.get(record)]);
            } else if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                const auto& value = record.*member;
                return value && std::isfinite(*value)
                           ? decimalText(toFile(field.quantity, *value), 12)
                           : std::string();
            } else if constexpr (std::is_same_v<M, bool T::*>) {
                return record.*member ? "1" : "0";
            } else if constexpr (std::is_same_v<M, std::int64_t T::*>) {
                return std::to_string(record.*member);
            } else {
                return record.*member;
            }
        },
        field.member);
}

// Takes a cell in; false when it cannot be.
template <class T>
bool take(T& record, const LogField<T>& field, const std::string& cell) {
    return std::visit(
        [&](const auto& member) -> bool {
            using M = std::decay_t<decltype(member)>;
            if constexpr (std::is_same_v<M, typename LogField<T>::Choice>) {
                const auto* end = member.names + member.count;
                const auto* at = std::find(member.names, end, std::string_view(cell));
                if (at == end) {
                    return cell.empty();
                }
                member.set(record, int(at - member.names));
                return true;
            } else if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                if (cell.empty()) {
                    (record.*member).reset();
                    return true;
                }
                const auto number = decimalFrom(cell);
                if (!number) {
                    return false;
                }
                const double si = fromFile(field.quantity, *number);
                constexpr double kRounding = 1e-9;
                const double slack = kRounding * std::max(std::abs(field.min), std::abs(field.max));
                if (!(si >= field.min - slack && si <= field.max + slack)) {
                    return false;
                }
                record.*member = si;
                return true;
            } else if constexpr (std::is_same_v<M, bool T::*>) {
                record.*member = cell == "1" || cell == "true";
                return cell.empty() || cell == "0" || cell == "1" || cell == "true" ||
                       cell == "false";
            } else if constexpr (std::is_same_v<M, std::int64_t T::*>) {
                if (cell.empty()) {
                    return true;
                }
                const auto number = decimalFrom(cell);
                constexpr double kMost = 9e15;
                if (!number || *number != std::floor(*number) || std::abs(*number) > kMost) {
                    return false;
                }
                record.*member = std::int64_t(*number);
                return true;
            } else {
                record.*member = cell.substr(0, field.most);
                return cell.size() <= field.most;
            }
        },
        field.member);
}

// Every column there is, each once, in the order they come.
const std::vector<std::string>& columns() {
    static const std::vector<std::string> all = [] {
        std::vector<std::string> keys{"what"};
        eachList([&keys]<class T>(std::vector<T> WaterLog::*) {
            for (const LogField<T>& field : logFields<T>()) {
                const std::string key = keyOf(field);
                if (key != "design" && std::find(keys.begin(), keys.end(), key) == keys.end()) {
                    keys.push_back(key);
                }
            }
        });
        return keys;
    }();
    return all;
}

// A record as a file holds it, its number left out: two that read the same there are the same.
template <class T>
std::string textOf(const T& record) {
    std::string text;
    for (const LogField<T>& field : logFields<T>()) {
        if (field.name != "id") {
            text += cellOf(record, field) + '\x1f';
        }
    }
    return text;
}

template <class T>
std::int64_t nextId(const std::vector<T>& there) {
    std::int64_t most = 0;
    for (const T& t : there) {
        most = std::max(most, t.id);
    }
    return most + 1;
}

}  // namespace

std::string writeLogCsv(const WaterLog& log) {
    std::string out;
    for (const std::string& key : columns()) {
        out += (out.empty() ? "" : ",") + key;
    }
    out += "\n";
    eachList([&]<class T>(std::vector<T> WaterLog::*list) {
        for (const T& record : log.*list) {
            std::string row = Kind<T>::what;
            for (size_t i = 1; i < columns().size(); ++i) {
                row += ",";
                for (const LogField<T>& field : logFields<T>()) {
                    if (keyOf(field) == columns()[i]) {
                        row += csvCell(cellOf(record, field));
                    }
                }
            }
            out += row + "\n";
        }
    });
    return out;
}

Result<WaterLog> readLogCsv(std::string_view text) {
    if (text.size() > kMostLogBytes) {
        return Error{"file.too_large", "", {}, {}};
    }
    const auto rows = csvRows(text, kMostRecords);
    if (!rows || rows->empty()) {
        return Error{"log.csv_damaged", "", {}, {}};
    }
    const std::vector<std::string>& header = rows->front();
    const auto what = std::find(header.begin(), header.end(), "what");
    for (const std::string& key : header) {
        if (std::find(columns().begin(), columns().end(), key) == columns().end()) {
            return Error{"log.csv_header", "", {key.substr(0, 40)}, {}};
        }
    }
    if (what == header.end()) {
        return Error{"log.csv_header", "", {"what"}, {}};
    }
    WaterLog log;
    for (size_t i = 1; i < rows->size(); ++i) {
        const std::vector<std::string>& row = (*rows)[i];
        if (row.empty() || (row.size() == 1 && row[0].empty())) {
            continue;
        }
        const auto wrong = [&](const std::string& words) {
            return Error{"log.csv_line", "", {std::to_string(i + 1), words}, {}};
        };
        const size_t at = size_t(what - header.begin());
        const std::string kind = at < row.size() ? row[at] : std::string();
        std::optional<Error> error;
        bool known = false;
        eachList([&]<class T>(std::vector<T> WaterLog::*list) {
            if (kind != Kind<T>::what || error) {
                return;
            }
            known = true;
            T record;
            for (size_t c = 0; c < row.size() && !error; ++c) {
                if (c == at || row[c].empty()) {
                    continue;
                }
                if (c >= header.size()) {
                    error = wrong(row[c].substr(0, 40));
                    return;
                }
                bool taken = false;
                for (const LogField<T>& field : logFields<T>()) {
                    taken = taken || (keyOf(field) == header[c] && take(record, field, row[c]));
                }
                if (!taken) {
                    error = wrong(header[c] + " " + row[c].substr(0, 40));
                }
            }
            if (const auto fault = faultOf(record); fault && !error) {
                error = wrong(fault->substr(4));
            }
            if (!error) {
                (log.*list).push_back(std::move(record));
            }
        });
        if (!known) {
            return wrong("what \"" + kind.substr(0, 40) + "\"");
        }
        if (error) {
            return *error;
        }
    }
    return log;
}

std::string writeLogJson(const WaterLog& log) {
    Json out;
    out["water_log"] = kLogVersion;
    eachList([&]<class T>(std::vector<T> WaterLog::*list) {
        Json all = Json::array();
        for (const T& record : log.*list) {
            Json one = Json::object();
            for (const LogField<T>& field : logFields<T>()) {
                const std::string key = keyOf(field);
                std::visit(
                    [&](const auto& member) {
                        using M = std::decay_t<decltype(member)>;
                        if constexpr (std::is_same_v<M, std::optional<double> T::*>) {
                            const auto& value = record.*member;
                            if (value && std::isfinite(*value)) {
                                one[key] = toFile(field.quantity, *value);
                            }
                        } else if constexpr (std::is_same_v<M, bool T::*> ||
                                             std::is_same_v<M, std::int64_t T::*>) {
                            one[key] = record.*member;
                        } else if (const std::string cell = cellOf(record, field); !cell.empty()) {
                            one[key] = cell;
                        }
                    },
                    field.member);
            }
            all.push_back(std::move(one));
        }
        out[Kind<T>::list] = std::move(all);
    });
    return answerText(out);
}

Result<WaterLog> readLogJson(std::string_view text) {
    if (text.size() > kMostLogBytes) {
        return Error{"file.too_large", "", {}, {}};
    }
    Json in;
    try {
        in = Json::parse(text);
    } catch (const Json::parse_error& e) {
        return Error{"file.not_json", "", {std::to_string(e.byte)}, {}};
    }
    if (!in.is_object() || !in.contains("water_log") || !in["water_log"].is_number_integer()) {
        return Error{"log.not_a_log", "", {}, {}};
    }
    if (in["water_log"] > kLogVersion) {
        return Error{"log.too_new", "", {}, {}};
    }
    WaterLog log;
    std::optional<Error> error;
    for (const auto& item : in.items()) {
        bool known = item.key() == "water_log";
        eachList([&]<class T>(std::vector<T> WaterLog::*) {
            known = known || item.key() == Kind<T>::list;
        });
        if (!known) {
            return Error{"log.json_entry", "", {item.key().substr(0, 40), ""}, {}};
        }
    }
    eachList([&]<class T>(std::vector<T> WaterLog::*list) {
        if (error || !in.contains(Kind<T>::list)) {
            return;
        }
        const Json& all = in[Kind<T>::list];
        const auto wrong = [&](size_t i, const std::string& words) {
            error = Error{"log.json_entry",
                          "",
                          {std::string(Kind<T>::what) + " " + std::to_string(i + 1), words},
                          {}};
        };
        if (!all.is_array() || all.size() > kMostRecords) {
            wrong(0, Kind<T>::list);
            return;
        }
        for (size_t i = 0; i < all.size() && !error; ++i) {
            T record;
            if (!all[i].is_object()) {
                wrong(i, all[i].dump().substr(0, 40));
                return;
            }
            for (const auto& [key, value] : all[i].items()) {
                const std::string cell =
                    value.is_string()    ? value.template get<std::string>()
                    : value.is_number()  ? decimalText(value.template get<double>(), 17)
                    : value.is_boolean() ? (value.template get<bool>() ? "1" : "0")
                                         : std::string("?");
                bool taken = false;
                for (const LogField<T>& field : logFields<T>()) {
                    taken = taken || (keyOf(field) == key && take(record, field, cell));
                }
                if (!taken) {
                    wrong(i, key.substr(0, 40) + " " + cell.substr(0, 40));
                    return;
                }
            }
            if (const auto fault = faultOf(record)) {
                wrong(i, fault->substr(4));
                return;
            }
            (log.*list).push_back(std::move(record));
        }
    });
    if (error) {
        return *error;
    }
    return log;
}

Result<WaterLog> readLog(std::string_view text) {
    const size_t first = text.find_first_not_of(" \t\r\n");
    return first != std::string_view::npos && text[first] == '{' ? readLogJson(text)
                                                                 : readLogCsv(text);
}

size_t mergeLog(WaterLog& into, const WaterLog& from) {
    size_t count = 0;
    for (LogBait b : from.baits) {
        const auto at = std::find_if(into.baits.begin(), into.baits.end(),
                                     [&](const LogBait& t) { return t.bait == b.bait; });
        b.id = at == into.baits.end() ? nextId(into.baits) : at->id;
        if (at == into.baits.end()) {
            into.baits.push_back(std::move(b));
            ++count;
        } else if (b.design.empty()) {
            b.design = at->design;  // a table has none
            count += textOf(*at) == textOf(b) ? 0 : 1;
            *at = std::move(b);
        } else {
            count += textOf(*at) == textOf(b) ? 0 : 1;
            *at = std::move(b);
        }
    }
    for (LogCopy c : from.copies) {
        const auto at = std::find_if(into.copies.begin(), into.copies.end(), [&](const LogCopy& t) {
            return t.bait == c.bait && t.number == c.number;
        });
        c.id = at == into.copies.end() ? nextId(into.copies) : at->id;
        if (at == into.copies.end()) {
            into.copies.push_back(std::move(c));
            ++count;
        } else {
            count += textOf(*at) == textOf(c) ? 0 : 1;
            *at = std::move(c);
        }
    }
    std::map<std::int64_t, std::int64_t> outings;
    std::map<std::string, std::int64_t> days;
    for (const LogOuting& o : into.outings) {
        days.emplace(textOf(o), o.id);
    }
    for (LogOuting o : from.outings) {
        const auto [at, isNew] = days.emplace(textOf(o), nextId(into.outings));
        outings[o.id] = at->second;
        if (isNew) {
            o.id = at->second;
            into.outings.push_back(std::move(o));
            ++count;
        }
    }
    std::int64_t next = nextId(into.notes);
    std::set<std::string> there;
    for (const LogNote& n : into.notes) {
        there.insert(textOf(n));
    }
    for (LogNote n : from.notes) {
        const auto outing = outings.find(n.outing);
        n.outing = outing == outings.end() ? 0 : outing->second;
        // Two alike in what is taken in are two; what was there before is not taken again.
        if (there.count(textOf(n)) > 0) {
            continue;
        }
        n.id = next++;
        into.notes.push_back(std::move(n));
        ++count;
    }
    return count;
}

}  // namespace wl
