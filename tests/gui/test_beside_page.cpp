// Parts of the window that reckon beside it, and the guard of the window itself.
#include <QTest>
#include <QTimer>
#include <catch2/catch.hpp>
#include <stdexcept>

#include "app/frame/guarded_application.h"
#include "gui/opened.h"
#include "session/beside.h"

using namespace wl;
using namespace wl::test;

TEST_CASE("hidden parts wait, shown ones follow every edit, latest first") {
    Opened o;
    o.window.rail().choose(Step::Tank);
    o.tab("tankTabs", "Hook swaps");
    o.beside("swapsTab");
    auto* swaps = o.window.findChild<BesidePage*>("swapsTab");
    auto* doubt = o.window.findChild<BesidePage*>("doubtTab");
    REQUIRE(swaps->isCurrent());
    CHECK_FALSE(doubt->isCurrent());
    // A run of edits as under a drag: the table settles on the last.
    for (int i = 1; i <= 12; ++i) {
        Design next = o.design();
        next.bores[0].plugLength_m -= 0.0002;
        o.window.bench().document.submit(std::move(next), "drag", "/bores/0/plug_length");
        QCoreApplication::processEvents();
    }
    o.settle();
    o.beside("swapsTab");
    const auto* best = o.window.findChild<QLabel*>("bestForRates");
    CHECK(best->text().contains("Nearest to"));
    o.tab("tankTabs", "How sure");
    o.beside("doubtTab");
    CHECK(doubt->isCurrent());
    // A step away nothing is reckoned for it any more.
    o.window.rail().choose(Step::Body);
    Design next = o.design();
    next.bores[0].plugLength_m += 0.001;
    o.window.bench().document.submit(std::move(next), "edit");
    o.settle();
    CHECK_FALSE(doubt->isCurrent());
    o.window.rail().choose(Step::Tank);
    o.beside("doubtTab");
    CHECK(doubt->isCurrent());
}

TEST_CASE("what a slot throws is told and the window goes on") {
    auto* application = dynamic_cast<GuardedApplication*>(QCoreApplication::instance());
    REQUIRE(application != nullptr);
    std::vector<Error> told;
    application->told = [&](const Error& error) { told.push_back(error); };
    bool after = false;
    QTimer::singleShot(0, application, [] { throw std::runtime_error("no more memory"); });
    QTimer::singleShot(5, application, [&] { after = true; });
    CHECK(QTest::qWaitFor([&] { return after; }, 5000));
    application->told = nullptr;
    REQUIRE(told.size() == 1);
    CHECK(told[0].code == "program.fault");
    CHECK(told[0].words == std::vector<std::string>{"no more memory"});
}
