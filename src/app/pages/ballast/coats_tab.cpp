#include <QApplication>
#include <QColorDialog>

#include "app/kit/form.h"
#include "app/kit/record_columns.h"
#include "app/pages/ballast/ballast_tabs.h"
#include "app/views/finish_view.h"
#include "core/reckon/lean.h"
#include "files/finish_recipe.h"
#include "session/words.h"

namespace wl {
namespace {

RecordTable* coatTable(Workbench& bench) {
    std::vector<RecordColumn> columns =
        fieldColumns({"name", "kind", "count", "colour", "place", "pattern", "covers", "thickness",
                      "solids", "density", "inner_face", "medium", "stencil", "masked", "cure",
                      "thicker_on", "thicker_by"},
                     4);
    columns.push_back(
        fact(derivedColumn(tr("Mass"), Quantity::Mass, [&bench](const Results& r, int row) {
            const std::string path = "/coats/" + std::to_string(row);
            double all = 0;
            for (const MassItem& item : r.derived->mass->items) {
                all += item.path == path ? item.mass_kg : 0;
            }
            return bench.text(Quantity::Mass, all, false);
        })));
    return new RecordTable(
        bench, "coats", "/coats", std::move(columns),
        {{"addCoat", tr("Add a coat"),
          [&bench](int) {
              Design next = bench.design();
              const size_t kind = std::min<size_t>(next.coats.size(), 2);
              for (const auto& row : bench.shelf.shelf().coats) {
                  if (size_t(row.item.kind) == kind) {
                      next.coats.push_back(row.item);
                      break;
                  }
              }
              bench.document.endGesture();
              bench.document.submit(std::move(next), tr("Add a coat"));
          },
          false},
         removeAction(bench, "removeCoat", tr("Remove a coat"), "/coats"),
         {"coatColour", tr("Colour…"), [&bench](int row) {
              const QColor now(QString::fromStdString(bench.design().coats[size_t(row)].colour));
              const QColor colour =
                  QColorDialog::getColor(now.isValid() ? now : QColor(Qt::white),
                                         QApplication::activeWindow(), tr("Colour of the coat"));
              if (colour.isValid()) {
                  Design next = bench.design();
                  next.coats[size_t(row)].colour = colour.name().toStdString();
                  bench.document.endGesture();
                  bench.document.submit(std::move(next), tr("Colour a coat"));
              }
          }}});
}

// Keeps the coats under a name, and puts kept ones on this bait.
class RecipeBar : public QWidget {
    Q_DECLARE_TR_FUNCTIONS(wl::RecipeBar)
  public:
    explicit RecipeBar(Workbench& bench)
        : bench_(bench), name_(new QComboBox), put_(new QPushButton(tr("Put on this bait"))) {
        name_->setObjectName(QStringLiteral("recipeName"));
        name_->setAccessibleName(tr("Finish recipe"));
        name_->setEditable(true);
        name_->setMinimumWidth(190);
        name_->lineEdit()->setPlaceholderText(tr("name of a finish"));
        name_->lineEdit()->setAccessibleName(tr("Finish recipe"));
        name_->setInsertPolicy(QComboBox::NoInsert);
        auto* keep = new QPushButton(tr("Keep recipe"));
        keep->setObjectName(QStringLiteral("keepRecipe"));
        put_->setObjectName(QStringLiteral("putRecipe"));
        auto* line = new FlowLayout(this);
        for (QWidget* part : {static_cast<QWidget*>(name_), static_cast<QWidget*>(keep),
                              static_cast<QWidget*>(put_)}) {
            line->addWidget(part);
        }
        connect(keep, &QPushButton::clicked, this, [this] { keepIt(); });
        connect(put_, &QPushButton::clicked, this, [this] { putOn(); });
        connect(name_, &QComboBox::editTextChanged, this, [this] { look(); });
        connect(&bench.builds, &BuildBook::changed, this, [this] { fill(); });
        fill();
    }

  private:
    QString named() const { return name_->currentText().trimmed(); }
    void look() { put_->setEnabled(bench_.builds.recipes().contains(named())); }
    void fill() {
        if (const QStringList names = bench_.builds.recipes(); names != shown_) {
            const QString typed = name_->currentText();
            shown_ = names;
            name_->clear();
            name_->addItems(names);
            name_->setEditText(typed);
        }
        look();
    }
    void keepIt() {
        if (named().isEmpty()) {
            bench_.say(QStringLiteral("▲ ") + tr("Give the finish a name first."));
            name_->setFocus();
            return;
        }
        const Design& design = bench_.design();
        if (const auto error =
                bench_.builds.putRecipe(named(), QString::fromStdString(writeFinish(design)))) {
            bench_.say(QStringLiteral("▲ ") + sentence(*error, bench_.bench()));
        } else {
            bench_.say(tr("Finish “%1” kept: %n coat(s).", nullptr, int(design.coats.size()))
                           .arg(named()));
        }
    }
    void putOn() {
        Result<Design> kept =
            withFinish(bench_.design(), bench_.builds.recipe(named()).toStdString());
        if (!kept) {
            bench_.say(
                QStringLiteral("▲ ") +
                sentence({"finish.not_a_recipe", "", {named().toStdString()}, {}}, bench_.bench()));
            return;
        }
        bench_.document.endGesture();
        bench_.document.submit(std::move(kept).value(), tr("Put on the finish “%1”").arg(named()));
    }

    Workbench& bench_;
    QComboBox* name_;
    QPushButton* put_;
    QStringList shown_;
};

// What a drip or a thick flank does: a named error, before it is made.
class UnevenCoat : public QLabel {
    Q_DECLARE_TR_FUNCTIONS(wl::UnevenCoat)
  public:
    explicit UnevenCoat(Workbench& bench) : bench_(bench) {
        setObjectName(QStringLiteral("unevenCoat"));
        setTextFormat(Qt::PlainText);
        setWordWrap(true);
        setProperty("role", "quiet");
        setContentsMargins(12, 0, 12, 0);
        connect(&bench.evaluator, &Evaluator::resultsChanged, this, [this] { tell(); });
        connect(&bench, &Workbench::benchChanged, this, [this] { tell(); });
        tell();
    }

  private:
    void tell() {
        constexpr double kUneven_kg = 0.2e-3;
        const ResultsPtr r = bench_.results();
        if (!r || !r->derived) {
            clear();
            return;
        }
        const Derived& d = *r->derived;
        const double stiff = leanStiffness_kg_m(d);
        const double coat =
            r->design->coats.empty() ? Coat().density_kg_m3 : r->design->coats.back().density_kg_m3;
        const double net = kUneven_kg * (1 - d.waterDensity_kg_m3 / coat);
        const QString mass = bench_.text(Quantity::Mass, kUneven_kg);
        setText(stiff > 0
                    ? tr("A coat %1 heavier on one flank leans it by %2: turn it while it dries, "
                         "and wipe the lowest point.")
                          .arg(mass, bench_.text(Quantity::Angle,
                                                 net * 0.5 * d.shape->sizes.maxWidth_m / stiff))
                    : tr("It does not sit upright as it is: no coat will be even enough."));
    }
    Workbench& bench_;
};

}  // namespace

QWidget* makeCoatsTab(Workbench& bench) {
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* bar = new RecipeBar(bench);
    bar->setContentsMargins(12, 4, 12, 0);
    layout->addWidget(new FinishView(bench));
    layout->addWidget(bar);
    layout->addWidget(new UnevenCoat(bench));
    layout->addWidget(coatTable(bench), 1);
    return page;
}

}  // namespace wl
