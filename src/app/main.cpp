#include <unistd.h>

#include <QApplication>
#include <QCommandLineParser>
#include <QElapsedTimer>
#include <QMessageBox>
#include <QTabBar>
#include <cstdio>

#include "app/split/NetworksDialog.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"
#include "app/words/Language.h"
#include "app/words/Say.h"
#include "core/base/Memory.h"

using namespace rivlen;

namespace {

/// Waits, with the window alive, until nothing is being read, split or drawn.
void settle(Studio& studio, MainWindow& window) {
    QElapsedTimer clock;
    clock.start();
    int quiet = 0;
    while (quiet < 12 && clock.elapsed() < 600000) {
        QApplication::processEvents(QEventLoop::AllEvents, 50);
        usleep(50000);
        const bool busy = studio.busy() || window.busy();
        quiet = busy ? 0 : quiet + 1;
    }
}

}  // namespace

int run(int argc, char** argv) {
    QElapsedTimer sinceStart;
    sinceStart.start();
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen");
    QApplication::setApplicationVersion(RIVLEN_VERSION);
    QApplication::setOrganizationName("rivlen");
    QCommandLineParser parser;
    parser.setApplicationDescription("Takes mixed recordings apart into dialogue, music and ambience.");
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument("files", "A session (.rivlen), or recordings to add.", "[files...]");
    const QCommandLineOption picture("picture", "Writes a PNG of the window and ends.", "FILE");
    const QCommandLineOption stage("stage", "Stage to show: intake, split, weigh, rebuild or dispatch.", "STAGE");
    const QCommandLineOption reelName("reel", "The reel to show, by its number from 1.", "NUMBER");
    const QCommandLineOption split("split", "Splits the current reel first.");
    const QCommandLineOption ownership("ownership", "Shows the Ownership picture.");
    const QCommandLineOption page("page", "The page of the stage's panel to show, by its title.", "TITLE");
    const QCommandLineOption first("first-paint", "Prints the seconds to the first paint and ends.");
    const QCommandLineOption networks("networks",
                                      "Opens the list of networks; with --picture it is what the picture shows.");
    parser.addOptions({picture, stage, reelName, split, ownership, page, networks, first});
    parser.process(app);
    language::apply(language::chosen());
    theme::apply(theme::chosenAppearance());

    Studio studio(makeDevice(SoundOutput::remembered()));
    MainWindow window(studio);
    if (!parser.isSet(picture) && !parser.isSet(first)) window.restoreLayout();
    window.show();
    if (parser.isSet(first)) {
        QApplication::processEvents();
        std::printf("%.3f\n", double(sinceStart.elapsed()) / 1000);
        return 0;
    }
    const QStringList files = parser.positionalArguments();
    // What a crash left behind comes first: opening anything else would give it up.
    if (!parser.isSet(picture) && !studio.file.recoverable().isEmpty() &&
        QMessageBox::question(&window, "Rivlen", say("Rivlen ended without saving last time. Recover that session?")) ==
            QMessageBox::Yes) {
        studio.file.recover();
    } else if (files.size() == 1 && files.front().endsWith(".rivlen")) {
        studio.file.open(files.front());
    } else if (!files.isEmpty()) {
        studio.reader.addFiles(files);
    }
    NetworksDialog list(studio.work, studio.networks, &window);
    if (parser.isSet(networks)) list.open();
    if (!parser.isSet(picture)) return QApplication::exec();

    settle(studio, window);
    if (const size_t number = parser.value(reelName).toUInt();
        number > 0 && number <= studio.document.session().reels.size()) {
        studio.document.selectReel(studio.document.session().reels[number - 1].id);
        settle(studio, window);
    }
    if (parser.isSet(split)) {
        studio.splitting.split();
        settle(studio, window);
    }
    if (parser.isSet(stage)) studio.document.setStage(parser.value(stage).toStdString());
    if (parser.isSet(ownership)) window.pictures().show(MainWindow::Picture::Ownership);
    for (auto* tabs : window.findChildren<QTabBar*>())
        for (int i = 0; i < tabs->count(); ++i)
            if (tabs->isVisible() && parser.isSet(page) && tabs->tabText(i).startsWith(parser.value(page)))
                tabs->setCurrentIndex(i);
    settle(studio, window);
    QWidget& shown = parser.isSet(networks) ? static_cast<QWidget&>(list) : window;
    if (!shown.grab().save(parser.value(picture))) {
        std::fprintf(stderr, "rivlen-desk: the picture \"%s\" cannot be written: check the folder.\n",
                     qPrintable(parser.value(picture)));
        return 4;
    }
    return 0;
}

int main(int argc, char** argv) {
    keepLargeBlocks();
    const int code = run(argc, argv);
    std::fflush(stdout);
    _exit(code);  // a network tile left behind by a cancelled split may still be computing
}
