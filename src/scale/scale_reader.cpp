#include "scale/scale_reader.h"

#include <QSerialPort>
#include <QSerialPortInfo>
#include <QTimer>
#include <algorithm>
#include <cmath>

#include "scale/scale_line.h"

namespace wl {
namespace {

constexpr int kSilence_ms = 3000;
constexpr size_t kSettledCount = 3;
constexpr double kSettledWithin_kg = 2e-5;
constexpr double kSettledShare = 1e-3;
constexpr int kLongestLine = 400;

}  // namespace

ScaleReader::ScaleReader(QObject* parent) : QObject(parent), silence_(new QTimer(this)) {
    silence_->setSingleShot(true);
    silence_->setInterval(kSilence_ms);
    connect(silence_, &QTimer::timeout, this, [this] {
        forget();
        emit readingChanged();
    });
}

ScaleReader::~ScaleReader() = default;

QStringList ScaleReader::ports() {
    QStringList names;
    for (const QSerialPortInfo& info : QSerialPortInfo::availablePorts()) {
        names << info.systemLocation();
    }
    return names;
}

QString ScaleReader::open(const QString& port, int baud) {
    close();
    auto serial = std::make_unique<QSerialPort>(port);
    serial->setBaudRate(baud);
    if (!serial->open(QIODevice::ReadWrite)) {
        return serial->errorString();
    }
    connect(serial.get(), &QSerialPort::readyRead, this, &ScaleReader::readLines);
    connect(serial.get(), &QSerialPort::errorOccurred, this,
            [this](QSerialPort::SerialPortError error) {
                if (error == QSerialPort::ResourceError || error == QSerialPort::PermissionError ||
                    error == QSerialPort::DeviceNotFoundError) {
                    const QString reason = serial_ ? serial_->errorString() : QString();
                    QTimer::singleShot(0, this, [this, reason] {
                        close();
                        emit lost(reason);
                    });
                }
            });
    serial_ = std::move(serial);
    return {};
}

void ScaleReader::close() {
    if (serial_) {
        serial_->disconnect(this);
        serial_->close();
        serial_.release()->deleteLater();
    }
    pending_.clear();
    forget();
    silence_->stop();
    emit readingChanged();
}

bool ScaleReader::isOpen() const {
    return serial_ && serial_->isOpen();
}

QString ScaleReader::port() const {
    return serial_ ? serial_->portName() : QString();
}

void ScaleReader::forget() {
    recent_.clear();
    latest_.reset();
    settled_ = false;
}

void ScaleReader::readLines() {
    pending_ += serial_->readAll();
    qsizetype end = 0;
    while ((end = pending_.indexOf('\n')) >= 0) {
        const QByteArray line = pending_.left(end).trimmed();
        pending_.remove(0, end + 1);
        take(line);
    }
    if (pending_.size() > kLongestLine) {
        pending_.clear();  // a line that never ends is noise
    }
}

void ScaleReader::take(const QByteArray& line) {
    const auto read = readScaleLine(std::string_view(line.constData(), size_t(line.size())));
    if (!read) {
        return;
    }
    silence_->start();
    latest_ = read->mass_kg;
    recent_.push_back(read->mass_kg);
    if (recent_.size() > kSettledCount) {
        recent_.pop_front();
    }
    const auto [low, high] = std::minmax_element(recent_.begin(), recent_.end());
    settled_ =
        !read->moving && recent_.size() == kSettledCount &&
        *high - *low <=
            std::max(kSettledWithin_kg, kSettledShare * std::abs(read->mass_kg)) * (1 + 1e-9);
    emit readingChanged();
}

}  // namespace wl

#include "moc_scale_reader.cpp"
