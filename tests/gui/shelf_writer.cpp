// Writes to a shelf without end; the test kills it in the middle.
#include <QCoreApplication>
#include <cstdio>

#include "shelf/shelf_book.h"

int main(int argc, char** argv) {
    const QCoreApplication application(argc, argv);
    wl::ShelfBook book(QString::fromLocal8Bit(argv[1]));
    wl::ShelfEntry entry;
    for (const wl::ShelfEntry& e : book.entries()) {
        if (e.name == "written") {
            entry = e;
        }
    }
    entry.kind = wl::ShelfKind::Treble;
    entry.name = "written";
    entry.source = "test";
    for (int i = 1;; ++i) {
        const double value = 0.001 + 0.000001 * (i % 9000);
        entry.mass_kg = value;  // grams as millimetres: the test holds them against each other
        entry.size_m = value;
        if (book.put(entry)) {
            return 1;
        }
        if (entry.id == 0) {
            for (const wl::ShelfEntry& e : book.entries()) {
                entry.id = e.name == "written" ? e.id : entry.id;
            }
            std::puts("writing");
            std::fflush(stdout);
        }
        if (i == 1 && entry.id != 0) {
            std::puts("writing");
            std::fflush(stdout);
        }
    }
}
