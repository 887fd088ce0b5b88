#include "app/dialogs/scale_dialog.h"

#include <QCoreApplication>
#include <QDir>
#include <QFileInfo>
#include <QGridLayout>

#include "app/kit/plain_label.h"
#include "app/kit/scale_fill.h"
#include "app/kit/theme.h"
#include "core/base/units.h"

namespace wl {

ScaleDialog::ScaleDialog(Workbench& bench, QWidget* parent)
    : QDialog(parent),
      bench_(bench),
      port_(new QComboBox),
      speed_(new QComboBox),
      connect_(new QPushButton(tr("Connect"))),
      practise_(new QPushButton(tr("Practise with a simulated scale"))),
      load_(new QLineEdit),
      lay_(new QPushButton(tr("Lay it on"))),
      reading_(plainLabel()),
      message_(plainLabel()) {
    setObjectName(QStringLiteral("scaleDialog"));
    setWindowTitle(tr("Bench scale"));
    auto* grid = new QGridLayout(this);
    grid->setSpacing(8);
    port_->setObjectName(QStringLiteral("scalePort"));
    port_->setAccessibleName(tr("Serial line of the scale"));
    port_->setEditable(true);
    port_->addItems(ScaleReader::ports());
    port_->setMinimumWidth(220);
    speed_->setObjectName(QStringLiteral("scaleSpeed"));
    speed_->setAccessibleName(tr("Speed of the line"));
    for (const int baud : {1200, 2400, 4800, 9600, 19200, 38400, 115200}) {
        speed_->addItem(QString::number(baud), baud);
    }
    speed_->setCurrentText(QStringLiteral("9600"));
    auto label = [grid](const QString& text, QWidget* field, int row) {
        auto* l = plainLabel(text);
        l->setBuddy(field);
        grid->addWidget(l, row, 0);
        grid->addWidget(field, row, 1);
    };
    label(tr("Serial line"), port_, 0);
    label(tr("Baud"), speed_, 1);
    connect_->setObjectName(QStringLiteral("connectScale"));
    connect_->setProperty("main", true);
    grid->addWidget(connect_, 1, 2);
    reading_->setObjectName(QStringLiteral("liveReading"));
    reading_->setFont(type(Type::Large));
    reading_->setAccessibleName(tr("On the scale"));
    grid->addWidget(reading_, 2, 0, 1, 3);
    practise_->setObjectName(QStringLiteral("practiseScale"));
    grid->addWidget(practise_, 3, 0, 1, 3, Qt::AlignLeft);
    load_->setObjectName(QStringLiteral("practiseLoad"));
    load_->setText(QStringLiteral("12.5 g"));
    label(tr("Practice load"), load_, 4);
    lay_->setObjectName(QStringLiteral("layOn"));
    grid->addWidget(lay_, 4, 2);
    message_->setObjectName(QStringLiteral("scaleMessage"));
    message_->setWordWrap(true);
    grid->addWidget(message_, 5, 0, 1, 3);
    auto* hint =
        plainLabel(tr("Set the scale to send its readings continuously. Then F9 in any "
                      "field of mass takes what lies on it, in any unit the scale sends."));
    hint->setProperty("role", "quiet");
    hint->setWordWrap(true);
    grid->addWidget(hint, 6, 0, 1, 3);

    connect(connect_, &QPushButton::clicked, this, [this] {
        if (bench_.scale.isOpen()) {
            bench_.scale.close();
            simulator_.write("quit\n");
        } else {
            connectScale(port_->currentText().trimmed());
        }
    });
    connect(practise_, &QPushButton::clicked, this, &ScaleDialog::practise);
    connect(lay_, &QPushButton::clicked, this, &ScaleDialog::layOn);
    connect(load_, &QLineEdit::returnPressed, this, &ScaleDialog::layOn);
    connect(&bench_.scale, &ScaleReader::readingChanged, this, &ScaleDialog::refresh);
    connect(&simulator_, &QProcess::readyReadStandardOutput, this, [this] {
        const QString line = QString::fromLocal8Bit(simulator_.readLine()).trimmed();
        if (!line.isEmpty() && !bench_.scale.isOpen()) {
            connectScale(line);
            layOn();
        }
    });
    connect(&simulator_, &QProcess::errorOccurred, this, [this] {
        message_->setText(
            QStringLiteral("▲ ") +
            tr("The simulated scale did not start: %1").arg(simulator_.errorString()));
    });
    refresh();
}

ScaleDialog::~ScaleDialog() {
    bench_.scale.disconnect(this);
    if (simulator_.state() != QProcess::NotRunning) {
        simulator_.disconnect(this);
        bench_.scale.close();
        simulator_.closeWriteChannel();
        if (!simulator_.waitForFinished(1000)) {
            simulator_.kill();
            simulator_.waitForFinished(1000);
        }
    }
}

QString ScaleDialog::simulatorProgram() {
    QString name = QStringLiteral("wadeline-scale");
    const QDir here(QCoreApplication::applicationDirPath());
    for (const char* folder : {".", "../scale", "../../src/scale"}) {
        const QString path = here.absoluteFilePath(QLatin1String(folder) + QLatin1Char('/') + name);
        if (QFileInfo(path).isExecutable()) {
            return QDir::cleanPath(path);
        }
    }
    return name;
}

void ScaleDialog::connectScale(const QString& port) {
    if (port.isEmpty()) {
        message_->setText(QStringLiteral("▲ ") +
                          tr("Choose the serial line the scale is plugged into."));
        return;
    }
    const QString error = bench_.scale.open(port, speed_->currentData().toInt());
    message_->setText(error.isEmpty()
                          ? tr("Connected to %1.").arg(port)
                          : QStringLiteral("▲ ") +
                                tr("%1 cannot be opened: %2. Is it plugged in, and may you use "
                                   "serial lines?")
                                    .arg(port, error));
    refresh();
}

void ScaleDialog::practise() {
    if (simulator_.state() != QProcess::NotRunning) {
        return;
    }
    bench_.scale.close();
    simulator_.start(simulatorProgram(), {QStringLiteral("--drift"), QStringLiteral("0.01")});
}

void ScaleDialog::layOn() {
    const ReadAmount read = readAmount(load_->text().toStdString(), Quantity::Mass, bench_.bench());
    if (read.fault != ReadFault::None) {
        message_->setText(QStringLiteral("▲ ") +
                          sentence(readFaultError(read.fault, "", Quantity::Mass, bench_.bench()),
                                   bench_.bench()));
        return;
    }
    simulator_.write(QStringLiteral("put %1\n").arg(read.valueSi / kGram, 0, 'f', 4).toLatin1());
}

void ScaleDialog::refresh() {
    const bool open = bench_.scale.isOpen();
    connect_->setText(open ? tr("Disconnect") : tr("Connect"));
    port_->setEnabled(!open);
    speed_->setEnabled(!open);
    const bool practising = simulator_.state() != QProcess::NotRunning;
    practise_->setEnabled(!open && !practising);
    lay_->setEnabled(practising && open);
    load_->setEnabled(practising && open);
    reading_->setText(open ? scaleWords(bench_) : tr("no scale connected"));
}

}  // namespace wl

#include "moc_scale_dialog.cpp"
