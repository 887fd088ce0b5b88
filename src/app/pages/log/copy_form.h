// What is known of one copy.
#pragma once

#include <QComboBox>

#include "app/pages/log/log_fields.h"
#include "core/learn/water_log.h"

namespace wl {

class CopyForm : public QWidget {
    Q_OBJECT
  public:
    explicit CopyForm(Workbench& bench);
    void showCopy(const LogCopy& copy);
    /// The same copy as the log has it now, changed in another window perhaps: shown where nothing
    /// was typed since, else told, and what was typed stands.
    void follow(const LogCopy& now);
    /// Into the copy, but for its bait and number; false, with the reasons beside the fields, when
    /// something is no such measure.
    bool read(LogCopy& copy);
    /// Why it could not be kept; nothing clears it.
    void tell(const std::optional<Error>& error);

  signals:
    void keepWanted();

  private:
    bool isTouched() const;
    void showPicture();
    void choosePhoto();

    Workbench& bench_;
    LogCopy shown_;
    QLineEdit *made_ = nullptr, *deviates_ = nullptr, *finish_ = nullptr, *hooks_ = nullptr,
              *where_ = nullptr, *photo_ = nullptr;
    OpenAmount *mass_ = nullptr, *showing_ = nullptr, *nose_ = nullptr, *sink_ = nullptr;
    QComboBox* place_;
    QLabel* picture_;
    QLabel* fault_;
};

}  // namespace wl
