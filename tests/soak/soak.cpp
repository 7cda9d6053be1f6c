// A simulated working week (Week.h): rivlen-soak FOLDER [ACTIONS] [REELS] [SEED]. Prints a row each 250 actions, and
// ends with 1 when something was wrong. Without actions it begins, recovers what there is to recover, and ends.
#include <unistd.h>

#include <QApplication>
#include <cstdio>

#include "Week.h"
#include "app/widgets/Theme.h"
#include "core/base/Memory.h"

using namespace rivlen;
using namespace rivlen::test;

int main(int argc, char** argv) {
    if (argc < 2) return 2;
    const fs::path folder = fs::absolute(argv[1]);
    const int actions = argc > 2 ? std::atoi(argv[2]) : 0, reels = argc > 3 ? std::atoi(argv[3]) : 50;
    const unsigned seed = argc > 4 ? unsigned(std::atoi(argv[4])) : 1;
    for (const char* name : {"CACHE", "DATA", "CONFIG"})
        qputenv((std::string("XDG_") + name + "_HOME").c_str(), QByteArray::fromStdString((folder / name).string()));
    keepLargeBlocks();  // as the program does
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen");
    QApplication::setOrganizationName("rivlen");
    theme::apply();
    Week week(folder, reels, seed);
    if (actions == 0) {
        const bool quiet = week.rest();
        std::printf("%zu reels, %s, %s\n", week.reels(), week.recovered() ? "recovered" : "as saved",
                    quiet ? "at rest" : "still busy");
        std::fflush(stdout);
        _exit(quiet && week.complaints().empty() ? 0 : 1);
    }
    std::printf("| %7s | %5s | %8s | %5s | %7s | %9s | %10s |\n", "actions", "reels", "MB", "files", "threads",
                "sentences", "complaints");
    for (int i = 1; i <= actions; ++i) {
        week.act();
        if (i % 250 && i != actions) continue;
        const Held held = week.heldWhenClosed();
        std::printf("| %7d | %5zu | %8.0f | %5d | %7d | %9d | %10zu |\n", i, week.reels(), held.megabytes, held.files,
                    held.threads, week.refusals(), week.complaints().size());
        std::fflush(stdout);
    }
    for (const auto& [name, count] : week.actions()) std::printf("%-24s %d\n", name.c_str(), count);
    for (const auto& text : week.complaints()) std::printf("complaint: %s\n", text.c_str());
    std::fflush(stdout);
    _exit(week.complaints().empty() ? 0 : 1);
}
