// One list of the design as a table: stations, fittings, bores, coats, log entries.
#pragma once

#include <QAbstractTableModel>
#include <QMap>
#include <functional>

#include "app/kit/workbench.h"
#include "core/design/fields.h"

namespace wl {

/// One column: a field of the list's items, which follows its description, or what the functions
/// say.
struct RecordColumn {
    QString field;      ///< last part of the path; also the object name of its editor
    QString title;      ///< of a field its label, unless given
    bool fact = false;  ///< one of the few that stand in the short list
    QString tip;
    Quantity quantity = Quantity::Number;
    FieldKind kind = FieldKind::Text;
    std::function<QString(const Design&, int row)> read = {};
    std::function<void(Design&, int row, const QString&)> write = {};
    std::function<QStringList(const Design&)> choices = {};
    std::function<QString(const Results&, int row)> derived = {};  ///< read-only, from the results
    /// When set and false, the cell has no meaning in this row: a dash, not editable. Not set: as
    /// the field's description has it.
    std::function<bool(const Design&, int row)> applies = {};
    /// Of a text that may be refused: takes the place of `write`.
    std::function<std::optional<Error>(Design&, int row, const QString&)> take = {};
};

/// Model of the list. A cell that was given something it cannot take shows it as typed, marked, and
/// keeps the reason until it is mended; the design is unchanged.
class RecordModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    RecordModel(Workbench& bench, QString listPath, std::vector<RecordColumn> columns,
                QObject* parent);

    int rowCount(const QModelIndex& = {}) const override { return rows_; }
    int columnCount(const QModelIndex& = {}) const override { return int(columns_.size()); }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

    const RecordColumn& column(int i) const { return columns_[size_t(i)]; }
    Workbench& bench() { return bench_; }
    QStringList choices(const QModelIndex& index) const;
    const QString& listPath() const { return listPath_; }
    QString pathOf(const QModelIndex& index) const;
    bool applies(const QModelIndex& index) const;
    QString faultAt(const QModelIndex& index) const;
    QString firstFault() const;

  signals:
    void faultsChanged();

  private:
    struct Fault {
        QString typed;
        QString message;
    };
    void refresh();
    int count(const Design& design) const { return int(listSize(design, listPath_.toStdString())); }
    QModelIndex cellAt(size_t place) const;
    /// What every cell reads, row by row.
    std::vector<QString> tellAll() const;
    const std::optional<Field>& fieldAt(const QModelIndex& index) const;
    std::optional<Error> taken(const QModelIndex& index, const QVariant& value);
    Workbench& bench_;
    QString listPath_;
    std::vector<RecordColumn> columns_;
    int rows_ = 0;
    std::vector<QString> told_;  ///< when last shown
    mutable std::vector<std::optional<Field>> known_;
    mutable quint64 knownRevision_ = 0;
    QMap<QString, Fault> faults_;
};

}  // namespace wl
