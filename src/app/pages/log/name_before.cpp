// The log goes by a bait's name: where a name is new, the notes of the old one can come along.
#include <QComboBox>
#include <QPushButton>
#include <map>

#include "app/kit/flow_layout.h"
#include "app/kit/plain_label.h"
#include "app/pages/log/log_tabs.h"

namespace wl {
namespace {

class NameBefore : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::NameBefore)
  public:
    explicit NameBefore(Workbench& bench)
        : bench_(bench), asks_(plainLabel()), names_(new QComboBox) {
        setObjectName(QStringLiteral("nameBefore"));
        asks_->setObjectName(QStringLiteral("nameBeforeAsks"));
        asks_->setWordWrap(true);
        asks_->setProperty("role", "quiet");
        names_->setObjectName(QStringLiteral("nameBeforeNames"));
        names_->setAccessibleName(tr("What it was called"));
        names_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        names_->setMinimumContentsLength(22);
        take_ = new QPushButton(tr("Take its notes along"));
        take_->setObjectName(QStringLiteral("nameBeforeTake"));
        connect(take_, &QPushButton::clicked, this, [this] { take(); });
        connect(names_, &QComboBox::currentIndexChanged, this,
                [this](int row) { take_->setEnabled(row > 0); });
        auto* layout = new QVBoxLayout(this);
        layout->setContentsMargins(0, 0, 0, 0);
        layout->addWidget(asks_);
        auto* tools = new QWidget;
        auto* line = new FlowLayout(tools);
        line->addWidget(names_);
        line->addWidget(take_);
        layout->addWidget(tools);
        connect(&bench.log, &LogBook::changed, this, [this] { fill(); });
        connect(&bench.document, &Document::designChanged, this, [this] { fill(); });
        fill();
    }

  private:
    // How often each bait of the log is named in it.
    std::map<std::string, int> named() const {
        std::map<std::string, int> all;
        const WaterLog& log = bench_.log.log();
        for (const LogNote& note : log.notes) {
            ++all[note.bait];
        }
        for (const LogCopy& copy : log.copies) {
            ++all[copy.bait];
        }
        return all;
    }

    void fill() {
        const auto all = named();
        const std::string& own = bench_.design().name;
        const bool offers = !own.empty() && !all.empty() && all.count(own) == 0;
        setVisible(offers);
        if (!offers) {
            return;
        }
        asks_->setText(tr("Nothing is logged of “%1” yet. If it is no new bait but was called "
                          "otherwise till now:")
                           .arg(QString::fromStdString(own)));
        QStringList names{tr("choose its old name")};
        for (const auto& [name, times] : all) {
            names << QString::fromStdString(name);
        }
        // What was chosen for one bait is not chosen for the next.
        if (names != offered_ || own != of_) {
            names_->clear();
            names_->addItems(names);
            offered_ = names;
            of_ = own;
        }
        take_->setEnabled(names_->currentIndex() > 0);
    }

    void take() {
        const QString from = names_->currentText();
        const QString to = QString::fromStdString(bench_.design().name);
        if (const auto error = bench_.log.rename(from.toStdString(), to.toStdString())) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
            return;
        }
        if (const auto error = bench_.builds.rename(from, to)) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
            return;
        }
        bench_.say(tr("What was logged and built of “%1” is now that of “%2”.").arg(from, to));
    }

    Workbench& bench_;
    QLabel* asks_;
    QComboBox* names_;
    QPushButton* take_ = nullptr;
    QStringList offered_;
    std::string of_;  ///< which bait they are offered for
};

}  // namespace

QWidget* makeNameBefore(Workbench& bench) {
    return new NameBefore(bench);
}

}  // namespace wl
