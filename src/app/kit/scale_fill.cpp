#include "app/kit/scale_fill.h"
#include "session/words.h"

#include <QCoreApplication>
#include <QTimer>

namespace wl {

namespace {

constexpr int kPatience_ms = 10000;
constexpr double kEmptyPlate_kg = 5e-6;  // half the last digit of a 0.01 g scale

// Waits for one settled reading.
class Waiting : public QObject {
    Q_DECLARE_TR_FUNCTIONS(wl::Waiting)
  public:
    Waiting(Workbench& bench, QObject* context, std::function<void(double)> fill)
        : QObject(context), bench_(bench), fill_(std::move(fill)) {
        connect(&bench_.scale, &ScaleReader::readingChanged, this, [this] { look(); });
        QTimer::singleShot(kPatience_ms, this, [this] {
            bench_.say(QStringLiteral("▲ ") +
                       tr("The scale does not settle: shield it from draughts and try again."));
            deleteLater();
        });
        bench_.say(tr("Waiting for the scale to settle…"));
    }

  private:
    void look() {
        if (done_ || !bench_.scale.isSettled() || !bench_.scale.mass_kg()) {
            return;
        }
        done_ = true;
        const double kg = *bench_.scale.mass_kg();
        deleteLater();
        if (kg < kEmptyPlate_kg) {
            bench_.say(QStringLiteral("▲ ") +
                       tr("The scale shows nothing. Lay the part on it first."));
            return;
        }
        fill_(kg);
        bench_.say(tr("From the scale: %1.").arg(bench_.text(Quantity::Mass, kg)));
    }
    Workbench& bench_;
    std::function<void(double)> fill_;
    bool done_ = false;

  public:
    void begin() { look(); }
};

}  // namespace

void readScaleOnce(Workbench& bench, QObject* context, std::function<void(double)> fill) {
    if (!bench.scale.isOpen()) {
        bench.say(QStringLiteral("▲ ") +
                  tr("No scale is connected. Connect one under Tools, Bench scale (Shift+F9)."));
        return;
    }
    auto* waiting = new Waiting(bench, context, std::move(fill));
    waiting->begin();
}

QToolButton* scaleButton(Workbench& bench, std::function<void()> clicked) {
    auto* button = new QToolButton;
    button->setText(tr("scale"));
    button->setToolTip(tr("Take what lies on the scale (F9)"));
    button->setAccessibleName(tr("Take what lies on the scale"));
    button->setToolButtonStyle(Qt::ToolButtonTextOnly);
    button->setFocusPolicy(Qt::TabFocus);
    button->setVisible(bench.scale.isOpen());
    QObject::connect(&bench.scale, &ScaleReader::readingChanged, button,
                     [button, &bench] { button->setVisible(bench.scale.isOpen()); });
    QObject::connect(button, &QToolButton::clicked, button, std::move(clicked));
    return button;
}

QString scaleWords(const Workbench& bench) {
    if (!bench.scale.isOpen()) {
        return {};
    }
    if (!bench.scale.mass_kg()) {
        return tr("scale: silent");
    }
    return tr("scale: %1%2")
        .arg(bench.text(Quantity::Mass, *bench.scale.mass_kg()),
             bench.scale.isSettled() ? QString() : QStringLiteral(" …"));
}

}  // namespace wl
