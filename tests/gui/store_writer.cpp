// Writes to a shelf, or a water log, without end; the test kills it in the middle.
#include <QCoreApplication>
#include <cstdio>

#include "shelf/shelf_book.h"
#include "waterlog/log_book.h"

namespace {

// Notes whose words say their figure.
int writeLog(const QString& path) {
    wl::LogBook book(path);
    for (int i = 1;; ++i) {
        wl::LogNote note;
        note.bait = "written";
        note.kind = wl::NoteKind::Depth;
        note.low = note.high = 1.0 + 0.001 * (i % 9000);
        note.words = std::to_string(i % 9000);
        if (book.put(note)) {
            return 1;
        }
        if (i == 1) {
            std::puts("writing");
            std::fflush(stdout);
        }
    }
}

}  // namespace

int main(int argc, char** argv) {
    const QCoreApplication application(argc, argv);
    if (argc > 2) {
        return writeLog(QString::fromLocal8Bit(argv[2]));
    }
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
