// The water log as a table and as JSON, out and in.
#pragma once

#include <string_view>

#include "core/base/result.h"
#include "core/learn/water_log.h"

namespace wl {

/// CSV with a header row (RFC 4180, libcsv): a row for each bait, copy, outing and note, told by
/// the column "what"; units in the keys. Designs are left out of it.
std::string writeLogCsv(const WaterLog& log);
/// Columns may come in any order and be missing. Errors: "log.csv_damaged", "log.csv_header" (word:
/// the column), "log.csv_line" (words: line, what is wrong), "file.too_large".
Result<WaterLog> readLogCsv(std::string_view text);

/// JSON: {"water_log": 1, "baits": [...], "copies": [...], "outings": [...], "notes": [...]}, keys
/// as in the CSV, with the designs.
std::string writeLogJson(const WaterLog& log);
/// Errors: "file.not_json" (word: the byte), "log.not_a_log", "log.too_new", "log.json_entry"
/// (words: which, what is wrong), "file.too_large".
Result<WaterLog> readLogJson(std::string_view text);

/// By the first character: JSON or CSV.
Result<WaterLog> readLog(std::string_view text);

/// `into` with all of `from`: outings and notes already there, equal but for their numbers, are not
/// taken twice; a bait or copy of the same name and number is replaced. Numbers of what is new go
/// on from those there. Gives how many records are new or changed.
size_t mergeLog(WaterLog& into, const WaterLog& from);

}  // namespace wl
