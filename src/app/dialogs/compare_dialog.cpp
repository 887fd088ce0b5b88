#include "app/dialogs/compare_dialog.h"

#include <QDialogButtonBox>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/kit/plain_label.h"
#include "app/kit/plain_table.h"
#include "core/design/fields.h"
#include "session/field_words.h"

namespace wl {

CompareDialog::CompareDialog(Workbench& bench, const Design& other, QWidget* parent)
    : QDialog(parent),
      table_(new PlainTable(QStringLiteral("differences"),
                            tr("What differs between the two designs"))) {
    setWindowTitle(tr("Held against another design"));
    setObjectName(QStringLiteral("compareDialog"));
    resize(820, 460);
    QList<QStringList> rows;
    QStringList paths;
    const auto held = [&bench](const std::optional<Field>& field) {
        return field ? fieldValue(*field, bench.bench()) : tr("not there");
    };
    for (const FieldDifference& d : compareFields(bench.design(), other)) {
        const Field& field = d.before ? *d.before : *d.after;
        const QString place = fieldPlace(field);
        rows << QStringList{place.isEmpty() ? tr("the bait") : place, fieldLabel(field),
                            held(d.before), held(d.after)};
        paths << (d.before ? QString::fromStdString(field.path) : QString());
    }
    table_->setRows({tr("Of"), tr("Field"), tr("This bait"), QString::fromStdString(other.name)},
                    rows);
    auto* words = plainLabel(
        rows.isEmpty() ? tr("The two are the same in every field.")
                       : tr("%n field(s) differ. Lists are held against each other by place.",
                            nullptr, int(rows.size())));
    words->setObjectName(QStringLiteral("compareWords"));
    words->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    auto* go = buttons->addButton(tr("Go to the field"), QDialogButtonBox::ActionRole);
    go->setObjectName(QStringLiteral("goToDifference"));
    go->setEnabled(false);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(words);
    layout->addWidget(table_, 1);
    layout->addWidget(buttons);
    const auto chosen = [this, paths] { return paths.value(table_->currentRow()); };
    connect(table_, &QTableWidget::itemSelectionChanged, this,
            [go, chosen] { go->setEnabled(!chosen().isEmpty()); });
    connect(go, &QPushButton::clicked, this, [this, &bench, chosen] {
        const QString path = chosen();
        accept();
        bench.goTo(path);
    });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
}

}  // namespace wl

#include "moc_compare_dialog.cpp"
