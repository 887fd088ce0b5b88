// What a design, a file or another program can do to a window, and must not.
#include <sys/stat.h>

#include <QApplication>
#include <QDir>
#include <QMessageBox>
#include <QPushButton>
#include <QTimer>
#include <catch2/catch.hpp>

#include "app/dialogs/trace_dialog.h"
#include "files/design_file.h"
#include "opened.h"
#include "session/svg_profile.h"
#include "support/sample_bait.h"

using namespace wl;
using namespace wl::test;

namespace {

// Answers the next question by the words of its button, keeping what it said.
struct Answering {
    QString said;
    Qt::TextFormat format = Qt::AutoText;
    int asked = 0;
    QTimer timer;
    explicit Answering(const QString& button) {
        QObject::connect(&timer, &QTimer::timeout, [this, button] {
            auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
            if (box == nullptr) {
                return;
            }
            said = box->text();
            format = box->textFormat();
            ++asked;
            for (QAbstractButton* b : box->buttons()) {
                if (b->text().contains(button)) {
                    b->click();
                    return;
                }
            }
            box->reject();
        });
        timer.start(10);
    }
};

void leaveBehind(const QString& folder, const QString& name, Design design) {
    QDir().mkpath(folder);
    QFile file(folder + "/" + name + ".wade");
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(QByteArray::fromStdString(writeDesign(design)));
}

}  // namespace

TEST_CASE("recovery offers every copy, in plain words, and removes none it was not told to") {
    Opened o;
    const QString folder = o.folder.filePath("recovery");
    Design one = demoDesign(), two = demoDesign();
    one.name = "<img src='/dev/zero'> first";
    one.brief.castLength_m = 31;
    two.name = "second";
    leaveBehind(folder, "a", one);
    leaveBehind(folder, "b", two);
    {
        Answering later("Ask again");
        CHECK_FALSE(o.window.offerRecovery());
        CHECK(later.asked == 2);
        CHECK(later.format == Qt::PlainText);
    }
    CHECK(QFile::exists(folder + "/a.wade"));
    CHECK(QFile::exists(folder + "/b.wade"));
    {
        Answering escape("no such button");  // closed by Escape: nothing goes
        CHECK_FALSE(o.window.offerRecovery());
    }
    CHECK(QFile::exists(folder + "/a.wade"));
    {
        Answering away("Throw it away");
        CHECK_FALSE(o.window.offerRecovery());
        CHECK(away.asked == 2);
    }
    CHECK_FALSE(QFile::exists(folder + "/a.wade"));
    leaveBehind(folder, "c", one);
    {
        Answering take("Take it up again");
        CHECK(o.window.offerRecovery());
        CHECK(take.said.contains("<img"));
    }
    CHECK(o.design().brief.castLength_m == Approx(31));
    CHECK(o.window.bench().document.isModified());
    // Taken over: the old copy went only once this window's own was there.
    CHECK_FALSE(QFile::exists(folder + "/c.wade"));
    CHECK(QDir(folder).entryList({"*.wade"}).size() == 1);
}

TEST_CASE("no label reads a design's words as markup", "[again]") {
    Opened o;
    Design d = demoDesign();
    d.name = "<b>bold</b><img src='x'>";
    for (Fitting& f : d.fittings) {
        f.name = "<h1>" + f.name;
    }
    d.bores[0].depth_m = 0.03;
    d.bores[0].name = "<i>bore</i>";
    o.window.bench().document.submit(d, "names");
    o.settle();
    for (int step = 0; step < kStepCount; ++step) {
        o.window.rail().choose(Step(step));
        for (const QLabel* label : o.window.findChildren<QLabel*>()) {
            INFO(label->text().toStdString());
            // The one rich label, of a finding, carries its sentence escaped.
            CHECK((label->textFormat() != Qt::AutoText || !label->text().contains('<')));
            CHECK((label->textFormat() != Qt::RichText || !label->text().contains("<i>bore")));
        }
    }
}

TEST_CASE("a picture a design points to is opened only when the maker says so, and only a file") {
    Opened o;
    const QString pipe = o.folder.filePath("pipe.png");
    REQUIRE(::mkfifo(pipe.toLocal8Bit().constData(), 0600) == 0);
    QImage picture(60, 40, QImage::Format_RGB32);
    picture.fill(Qt::gray);
    const QString real = o.folder.filePath("real.png");
    REQUIRE(picture.save(real));
    for (const QString& path : {pipe, QString("/dev/zero"), real}) {
        INFO(path.toStdString());
        Design d = demoDesign();
        d.trace.picturePath = path.toStdString();
        o.window.bench().document.replace(d, {}, false);
        o.settle();
        TraceDialog dialog(o.window.bench(), &o.window);
        dialog.show();
        CHECK(dialog.canvas() == nullptr);
        CHECK(dialog.message().contains(path));
        auto* named = dialog.findChild<QPushButton*>("openNamedPicture");
        REQUIRE(named->isVisible());
        named->click();
        CHECK((dialog.canvas() != nullptr) == (path == real));
        CHECK(dialog.message().startsWith(QStringLiteral("▲")) == (path != real));
    }
}

TEST_CASE("a file another window changed: told once, asked at saving, never written over unasked") {
    Opened o;
    const QString path = o.folder.filePath("bait.wade");
    REQUIRE(o.window.saveFile(path));
    Design theirs = o.design();
    theirs.brief.castLength_m = 44;
    QFile file(path);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write(QByteArray::fromStdString(writeDesign(theirs)));
    file.close();
    REQUIRE(QTest::qWaitFor([&] { return o.window.message().contains("another window"); }, 10000));
    o.type("/brief/cast_length", "33");
    {
        Answering cancel("Cancel");
        CHECK_FALSE(o.window.saveFile(path));
        CHECK(cancel.asked == 1);
    }
    CHECK(loadDesign(path.toStdString())->brief.castLength_m == Approx(44));
    CHECK(o.window.bench().document.isModified());
    {
        Answering over("Write over it");
        CHECK(o.window.saveFile(path));
    }
    CHECK(loadDesign(path.toStdString())->brief.castLength_m == Approx(33));
    Answering nobody("Cancel");
    CHECK(o.window.saveFile(path));  // its own file is no one else's
    CHECK(nobody.asked == 0);
}

TEST_CASE("a damaged file given at the start is said, not replaced by the demo") {
    Opened o;
    const QString path = o.folder.filePath("broken.wade");
    QFile file(path);
    REQUIRE(file.open(QIODevice::WriteOnly));
    file.write("{\"format\": \"wade-line-des");
    file.close();
    o.window.openFirst({path});
    CHECK(o.window.message().startsWith(QStringLiteral("▲ broken.wade")));
    CHECK(o.design().name != demoDesign().name);
    CHECK(o.design().name == "new bait");
}

TEST_CASE("an SVG path of megabytes is refused, not worked through") {
    QByteArray path = "<svg xmlns='http://www.w3.org/2000/svg'><path d='M 0 0";
    while (path.size() < (2 << 20)) {
        path += " L 1 2 L 3 1";
    }
    path += " Z'/></svg>";
    CHECK(readSvgOutline(path).error().code == "svg.too_long");
}

TEST_CASE("a number that may be thousands is asked back beside the field, and kept") {
    Opened o;
    o.window.rail().choose(Step::LipAndTie);
    const double before = o.design().lip.length_m;
    const QString typed = makersDecimalMark() == ',' ? "1.234" : "1,234";
    QLineEdit* field = o.field("/lip/length");
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, typed);
    QTest::keyClick(field, Qt::Key_Return);
    CHECK(field->text() == typed);
    CHECK(o.text("/lip/length/fault").contains("thousands"));
    CHECK(o.design().lip.length_m == before);
}

TEST_CASE("the tie is chosen among the eyes, and what is meant to meet is said with one click") {
    Opened o;
    o.window.rail().choose(Step::LipAndTie);
    auto* place = o.window.findChild<QComboBox*>("/tie/place");
    place->setCurrentIndex(0);
    emit place->activated(0);
    auto* eye = o.window.findChild<QComboBox*>("/tie/eye");
    REQUIRE(eye->count() > 1);
    eye->setCurrentIndex(1);
    emit eye->activated(1);
    CHECK(o.design().tie.eye == eye->itemText(1).toStdString());
    CHECK_FALSE(o.field("/tie/x")->isEnabled());
    const Eigen::Vector3d at = tiePoint(o.design());
    eye->setCurrentIndex(0);
    emit eye->activated(0);
    CHECK(tiePoint(o.design()).x() == Approx(at.x()));  // let go, it stays where it was

    Design d = demoDesign();
    Feature pocket;
    pocket.name = "side pocket";
    pocket.kind = FeatureKind::Pocket;
    pocket.from = FeatureFrom::Side;
    pocket.x_m = d.bores[0].x_m;
    pocket.z_m = -0.004;
    pocket.length_m = 0.008;
    pocket.width_m = 0.005;
    pocket.depth_m = 0.008;
    d.features.push_back(pocket);
    o.window.bench().document.submit(d, "pocket");
    o.settle();
    auto* meant = o.window.findChild<QPushButton*>("cure/edit.meant_through");
    REQUIRE(meant != nullptr);
    meant->click();
    o.settle();
    REQUIRE(o.design().meetings.size() == 1);
    CHECK(o.window.findChild<QPushButton*>("cure/edit.meant_through") == nullptr);
    o.window.goTo("/meetings/0/first");
    o.window.bench().document.undoStack()->undo();
    CHECK(o.design().meetings.empty());
}

TEST_CASE("a window whose edits are thrown away goes quietly") {
    QTemporaryDir folder;
    auto window = std::make_unique<MainWindow>(folder.filePath("recovery"));
    window->openDemo();
    Design next = window->bench().design();
    next.name = "thrown away";
    window->bench().document.submit(std::move(next), "edit");
    CHECK_FALSE(window->bench().document.undoStack()->isClean());
    window.reset();
}
