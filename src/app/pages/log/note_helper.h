// Figures got by counting: a sink rate by the watch, beats by the frames of a film.
#pragma once

#include <array>

#include "app/pages/log/log_fields.h"
#include "core/learn/water_log.h"

namespace wl {

class NoteHelper : public QWidget {
    Q_OBJECT
  public:
    explicit NoteHelper(Workbench& bench);
    /// Shows what is counted for that kind of note; nothing where there is nothing to count, or no
    /// plain figure is asked.
    void ask(NoteKind kind, bool plainFigure);

  signals:
    /// What comes of it, SI.
    void reckoned(double si);

  private:
    void setField(size_t i, const QString& label, Quantity quantity, double least, double most);
    void reckon();

    NoteKind kind_ = NoteKind::Depth;
    std::array<OpenAmount*, 3> fields_{};
    std::array<QLabel*, 3> labels_{};
    QLabel* words_;
};

}  // namespace wl
