// A bench scale on a serial line, followed while it settles.
#pragma once

#include <QObject>
#include <QString>
#include <deque>
#include <memory>
#include <optional>

class QSerialPort;
class QTimer;

namespace wl {

/// Opens a serial line and follows its readings. A reading counts as settled when the scale does
/// not mark it as moving and the last three lie within two hundredths of a gram (or a thousandth of
/// the load, if that is more).
class ScaleReader : public QObject {
    Q_OBJECT
  public:
    explicit ScaleReader(QObject* parent = nullptr);
    ~ScaleReader() override;

    /// Empty on success, else why not.
    QString open(const QString& port, int baud = 9600);
    void close();
    bool isOpen() const;
    QString port() const;
    /// Names of the serial lines of this machine.
    static QStringList ports();

    /// Latest reading, kilograms; nothing before the first, after the line fell silent for three
    /// seconds, or when closed.
    std::optional<double> mass_kg() const { return latest_; }
    bool isSettled() const { return settled_; }

  signals:
    void readingChanged();
    /// The line was lost: pulled out, switched off.
    void lost(const QString& reason);

  private:
    void readLines();
    void take(const QByteArray& line);
    void forget();

    std::unique_ptr<QSerialPort> serial_;
    QByteArray pending_;
    std::deque<double> recent_;
    std::optional<double> latest_;
    bool settled_ = false;
    QTimer* silence_;
};

}  // namespace wl
