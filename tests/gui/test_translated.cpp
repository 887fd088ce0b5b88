// Every text one can see goes through the translation, under a context the extraction finds.
#include <QComboBox>
#include <QFile>
#include <QHeaderView>
#include <QMenuBar>
#include <QProcess>
#include <QRegularExpression>
#include <QTranslator>
#include <QXmlStreamReader>
#include <set>

#include "app/dialogs/new_bait_dialog.h"
#include "core/design/fields.h"
#include "opened.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

using Asked = std::pair<QString, QString>;  // context, English

// A language in which every word stands between brackets, and which remembers what it was asked.
class Bracketed : public QTranslator {
  public:
    QString translate(const char* context, const char* source, const char*, int) const override {
        if (QByteArray(context).startsWith("Q") || *source == 0) {
            return {};  // Qt's own
        }
        asked.insert({QString::fromUtf8(context), QString::fromUtf8(source)});
        return QStringLiteral("⟦") + QString::fromUtf8(source) + QStringLiteral("⟧");
    }
    bool isEmpty() const override { return false; }
    mutable std::set<Asked> asked;
};

// Of a file of words; those that go with a number alone, where asked.
std::set<Asked> extracted(const QString& ts, bool numbered = false) {
    QFile file(ts);
    REQUIRE(file.open(QIODevice::ReadOnly));
    std::set<Asked> all;
    QXmlStreamReader xml(&file);
    QString context;
    bool wanted = true;
    while (!xml.atEnd()) {
        xml.readNext();
        if (xml.isStartElement() && xml.name() == QLatin1String("name")) {
            context = xml.readElementText();
        } else if (xml.isStartElement() && xml.name() == QLatin1String("message")) {
            wanted = !numbered || xml.attributes().hasAttribute(QLatin1String("numerus"));
        } else if (wanted && xml.isStartElement() && xml.name() == QLatin1String("source")) {
            all.insert({context, xml.readElementText()});
        }
    }
    return all;
}

// What is left of a text beside brackets, the maker's own names, units and figures.
class Left {
  public:
    explicit Left(const Workbench& bench) {
        for (const Field& f : listFields(bench.design())) {
            own(QString::fromStdString(f.text));
        }
        for (const ShelfEntry& e : bench.shelf.entries()) {
            own(QString::fromStdString(e.name));
            own(QString::fromStdString(e.source));
        }
        for (const LogNote& n : bench.log.log().notes) {  // a maker's own words
            own(QString::fromStdString(n.bait));
            own(QString::fromStdString(n.words));
        }
        for (const auto format : {QLocale::ShortFormat, QLocale::LongFormat}) {
            for (int i = 1; i <= 12; ++i) {  // said by the language, not by us
                units_.insert(QLocale().monthName(i, format).remove(QLatin1Char('.')));
                units_.insert(QLocale().dayName((i - 1) % 7 + 1, format).remove(QLatin1Char('.')));
            }
        }
        for (int q = 0; q <= int(Quantity::Number); ++q) {
            for (const Bench b : {Bench::Metric, Bench::Inch}) {
                units_.insert(QString::fromStdString(unitLabel(Quantity(q), b)));
            }
        }
    }
    QString of(QString text) const {
        static const QRegularExpression inner(QStringLiteral("⟦[^⟦⟧]*⟧")),
            tag(QStringLiteral("<[^>]*>")), word(QStringLiteral("[\\p{L}][\\p{L}/³²°]*"));
        text.remove(tag);
        for (const QString& name : names_) {
            text.replace(name, QStringLiteral(" "));
        }
        while (text.contains(inner)) {
            text.remove(inner);
        }
        QStringList left;
        for (auto it = word.globalMatch(text); it.hasNext();) {
            const QString found = it.next().captured();
            if (found.size() > 1 && !units_.contains(found)) {
                left << found;
            }
        }
        return left.join(QLatin1Char(' '));
    }

  private:
    void own(const QString& name) {
        if (name.size() > 1) {
            names_.push_back(name);
            std::sort(names_.begin(), names_.end(),
                      [](const QString& a, const QString& b) { return a.size() > b.size(); });
        }
    }
    std::vector<QString> names_;
    std::set<QString> units_{QStringLiteral("min"), QStringLiteral("h"), QStringLiteral("g·mm")};
};

class Reader {
  public:
    Reader(const Left& left, std::set<QString>& faults) : left_(left), faults_(faults) {}
    void read(const QWidget& top) {
        for (const QWidget* w : top.findChildren<QWidget*>()) {
            if (!w->isVisibleTo(&top)) {
                continue;
            }
            say(*w, w->toolTip());
            say(*w, w->accessibleName());
            if (auto* label = qobject_cast<const QLabel*>(w)) {
                say(*w, label->text());
            } else if (auto* button = qobject_cast<const QAbstractButton*>(w)) {
                say(*w, button->text());
            } else if (auto* line = qobject_cast<const QLineEdit*>(w)) {
                say(*w, line->placeholderText());
            } else if (auto* box = qobject_cast<const QComboBox*>(w)) {
                for (int i = 0; i < box->count(); ++i) {
                    say(*w, box->itemText(i));
                }
            } else if (auto* view = qobject_cast<const QTableView*>(w)) {
                cells(*view);
            }
        }
    }
    void say(const QObject& of, const QString& text) {
        if (const QString rest = left_.of(text); !rest.isEmpty()) {
            faults_.insert(of.objectName() + QStringLiteral(" (") + of.metaObject()->className() +
                           QStringLiteral("): ") + rest.left(60) + QStringLiteral("  in  ") +
                           text.left(100));
        }
    }

  private:
    void cells(const QTableView& view) {
        const auto* model = view.model();
        for (int c = 0; model != nullptr && c < model->columnCount(); ++c) {
            if (view.isColumnHidden(c)) {
                continue;
            }
            say(view, model->headerData(c, Qt::Horizontal).toString());
            for (int r = 0; r < model->rowCount(); ++r) {
                say(view, model->index(r, c).data().toString());
            }
        }
    }
    const Left& left_;
    std::set<QString>& faults_;
};

}  // namespace

TEST_CASE("no text on the screen escapes the translation, and every one is extracted for it",
          "[again]") {
    Bracketed language;
    QCoreApplication::installTranslator(&language);
    std::set<QString> faults;
    for (const int demo : {0, 4}) {
        Opened o(demo);
        const Left left(o.window.bench());
        Reader reader(left, faults);
        for (const QAction* action : o.window.findChildren<QAction*>()) {
            reader.say(*action, action->text());
        }
        for (int step = 0; step < kStepCount; ++step) {
            o.window.rail().choose(Step(step));
            o.settle();
            reader.say(o.window, o.window.rail().verdict(Step(step)));
            for (auto* tabs : o.window.findChildren<SheetTabs*>()) {
                for (int i = 0; tabs->isVisible() && i < tabs->count(); ++i) {
                    tabs->setCurrentIndex(i);
                    QTest::qWait(30);
                    reader.read(o.window);
                }
            }
            reader.read(o.window);
        }
        // Findings of every kind of clash: a hook too heavy, a bore through the back.
        o.window.bench().document.setField("/bores/0/depth", 0.04);
        o.settle();
        reader.read(o.window);
        NewBaitDialog dialog(o.window.bench());
        dialog.show();
        reader.read(dialog);
    }
    QCoreApplication::removeTranslator(&language);
    for (const QString& fault : faults) {
        FAIL_CHECK(fault.toStdString());
    }
    QTemporaryDir folder;
    const QString ts = folder.filePath("words.ts");
    QProcess extract;
    extract.start(QStringLiteral(WL_SOURCE_DIR "/tools/translations.sh"), {ts});
    REQUIRE(extract.waitForFinished(60000));
    REQUIRE(extract.exitCode() == 0);
    const std::set<Asked> found = extracted(ts);
    const std::set<Asked> numbered = extracted(ts, true);
    CHECK(numbered.size() > 10);
    CHECK(numbered == extracted(QStringLiteral(WL_SOURCE_DIR "/resources/words_en.ts"), true));
    for (const auto& [context, source] : numbered) {
        for (const int n : {1, 2}) {
            INFO(source.toStdString());
            CHECK_FALSE(QCoreApplication::translate(context.toUtf8(), source.toUtf8(), nullptr, n)
                            .contains(QStringLiteral("(s)")));
        }
    }
    for (const Asked& asked : language.asked) {
        if (found.count(asked) == 0) {
            FAIL_CHECK("not extracted: " << asked.first.toStdString() << ": "
                                         << asked.second.toStdString());
        }
    }
    CHECK(language.asked.size() > 900);
}
