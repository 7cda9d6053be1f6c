#include "Week.h"

#include <QAbstractSlider>
#include <QApplication>
#include <QComboBox>
#include <QDialog>
#include <QTest>
#include <cstdio>
#include <fstream>

#include "Places.h"
#include "core/media/MediaReader.h"

namespace rivlen::test {

namespace {

struct Press {
    Qt::Key key;
    Qt::KeyboardModifiers with = Qt::NoModifier;
};

/// Keys of every stage but those that ask for a file by a dialogue of the system.
const std::vector<Press>& keys() {
    using namespace Qt;
    static const std::vector<Press> all{{Key_Space},
                                        {Key_1},
                                        {Key_2},
                                        {Key_3},
                                        {Key_4},
                                        {Key_5},
                                        {Key_6},
                                        {Key_7},
                                        {Key_8},
                                        {Key_9},
                                        {Key_M},
                                        {Key_BracketLeft},
                                        {Key_BracketRight},
                                        {Key_L},
                                        {Key_Comma},
                                        {Key_Period},
                                        {Key_Home},
                                        {Key_End},
                                        {Key_F},
                                        {Key_Y},
                                        {Key_V},
                                        {Key_Plus},
                                        {Key_Minus},
                                        {Key_0},
                                        {Key_G},
                                        {Key_A},
                                        {Key_B},
                                        {Key_C},
                                        {Key_D},
                                        {Key_A, ShiftModifier},
                                        {Key_B, ShiftModifier},
                                        {Key_C, ShiftModifier},
                                        {Key_P},
                                        {Key_1, ControlModifier},
                                        {Key_2, ControlModifier},
                                        {Key_3, ControlModifier},
                                        {Key_R},
                                        {Key_T},
                                        {Key_X},
                                        {Key_K},
                                        {Key_N},
                                        {Key_N, ShiftModifier},
                                        {Key_Up, ControlModifier},
                                        {Key_Down, ControlModifier},
                                        {Key_S},
                                        {Key_D, ControlModifier},
                                        {Key_C, ControlModifier},
                                        {Key_X, ControlModifier},
                                        {Key_V, ControlModifier},
                                        {Key_Delete},
                                        {Key_Left, AltModifier},
                                        {Key_Right, AltModifier},
                                        {Key_U},
                                        {Key_U, ShiftModifier},
                                        {Key_S, ShiftModifier},
                                        {Key_E},
                                        {Key_W},
                                        {Key_Escape},
                                        {Key_Tab},
                                        {Key_F1}};
    return all;
}

double status(const char* field) {
    std::ifstream in("/proc/self/status");
    for (std::string line; std::getline(in, line);)
        if (line.rfind(field, 0) == 0) return std::atof(line.c_str() + std::string(field).size() + 1);
    return 0;
}

}  // namespace

Held heldNow() {
    const auto files = std::distance(fs::directory_iterator("/proc/self/fd"), fs::directory_iterator());
    return {status("VmRSS") / 1024, int(files) - 1, int(status("Threads"))};
}

Week::Week(const fs::path& folder, int reels, unsigned seed)
    : m_folder(folder), m_session(folder / "week.rivlen"), m_wanted(reels), m_random(seed) {
    fs::create_directories(folder / "media");
    MediaReader demo(fs::path(test::kSourceFolder) / "demo/reel-2-saloon.flac");
    for (int i = 0; i < reels; ++i) {
        const fs::path file = folder / "media" / ("reel-" + std::to_string(i + 1) + ".wav");
        if (fs::exists(file)) continue;
        const fs::path part = file.string() + ".new";  // a run may be killed here
        writeWav(part, demo.read(int64_t(i % 17) * 24000, (2 + i % 5) * 48000), 48000);
        fs::rename(part, file);
    }
    begin();
}

Week::~Week() {
    m_window.reset();
    m_studio.reset();
}

double Week::uniform(double from, double to) { return std::uniform_real_distribution<>(from, to)(m_random); }

void Week::begin() {
    m_studio = std::make_unique<Studio>(makeSilentClock());
    listen();
    m_window = std::make_unique<MainWindow>(*m_studio);
    m_window->resize(1280, 800);
    m_window->show();
    m_recovered = !m_studio->file.recoverable().isEmpty();
    if (m_recovered) m_studio->file.recover();
    else if (fs::exists(m_session)) m_studio->file.open(QString::fromStdString(m_session.string()));
    settle(200);
}

void Week::endWithoutSaving() {
    m_window.reset();
    m_studio.reset();
    begin();
}

void Week::listen() {
    QObject::connect(&m_studio->work, &Work::warned, &m_studio->work, [this](const QString& sentence) {
        ++m_refusals;
        const std::string text = m_lastWarning = sentence.toStdString();
        for (const char* wrong : {"inside Rivlen", "not enough memory", "std::", "c10"})
            if (text.find(wrong) != std::string::npos) complain(text);
    });
}

void Week::complain(const std::string& text) {
    m_complaints.push_back(text);
    std::fprintf(stderr, "complaint: %s\n", text.c_str());
}

void Week::closeDialogs() {
    for (int i = 0; i < 5; ++i) {
        auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
        if (auto* menu = QApplication::activePopupWidget()) menu->close();
        if (!dialog) return;
        dialog->reject();
        QCoreApplication::processEvents();
    }
}

void Week::settle(int milliseconds) {
    // A dialogue that waits for its user runs a loop of its own: it is closed from inside.
    QTimer closing;
    QObject::connect(&closing, &QTimer::timeout, [this] { closeDialogs(); });
    closing.start(50);
    QTest::qWait(milliseconds);
    closeDialogs();
}

bool Week::rest() {
    m_studio->hearing.player().stop();
    const bool quiet = QTest::qWaitFor(
        [this] {
            closeDialogs();
            return !m_studio->busy() && !m_window->busy() && !m_window->desks().dispatch.busy();
        },
        60000);
    settle(100);
    return quiet;
}

void Week::press(int times) {
    QTimer closing;
    QObject::connect(&closing, &QTimer::timeout, [this] { closeDialogs(); });
    closing.start(30);
    for (int i = 0; i < times; ++i) {
        const Press& p = keys()[size_t(below(int(keys().size())))];
        QTest::keyClick(m_window.get(), p.key, p.with);
    }
}

/// Sliders, lists and buttons that are there to be moved.
void Week::moveControls() {
    std::vector<QWidget*> shown;
    for (auto* w : m_window->findChildren<QWidget*>())
        if (w->isVisible() && w->isEnabled() && (qobject_cast<QAbstractSlider*>(w) || qobject_cast<QComboBox*>(w)))
            shown.push_back(w);
    for (int i = 0; i < 3 && !shown.empty(); ++i) {
        const Qt::Key moves[] = {Qt::Key_Up, Qt::Key_Down, Qt::Key_PageUp, Qt::Key_PageDown};
        QTest::keyClick(shown[size_t(below(int(shown.size())))], moves[below(4)]);
    }
}

void Week::pointer() {
    std::vector<QWidget*> shown;
    for (auto* w : m_window->findChildren<QWidget*>())
        if (w->isVisible() && w->inherits("rivlen::TimeView")) shown.push_back(w);
    if (shown.empty()) return;
    QWidget* view = shown[size_t(below(int(shown.size())))];
    const auto at = [&] { return QPoint(below(view->width()), below(view->height())); };
    const QPoint from = at(), to = at();
    QTest::mousePress(view, Qt::LeftButton, {}, from);
    QMouseEvent move(QEvent::MouseMove, QPointF(to), view->mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(view, &move);
    QTest::mouseRelease(view, Qt::LeftButton, {}, to);
}

Held Week::heldWhenClosed() {
    rest();
    if (!m_studio->file.save(QString::fromStdString(m_session.string()))) complain("cannot be saved");
    m_studio->file.begin();
    settle(300);
    rest();
    // Threads whose work was cancelled end in their own time: what is held is the least of some seconds.
    Held held = heldNow();
    for (int i = 0; i < 20; ++i) {
        settle(150);
        const Held now = heldNow();
        held.threads = std::min(held.threads, now.threads);
        held.files = std::min(held.files, now.files);
        held.megabytes = std::min(held.megabytes, now.megabytes);
    }
    if (!m_studio->file.open(QString::fromStdString(m_session.string())))
        complain("cannot be opened again: " + m_lastWarning);
    settle(60);
    return held;
}

void Week::deliver() {
    const fs::path out = m_folder / "out";
    if (uniform() < 0.5) fs::remove_all(out);
    m_window->desks().dispatch.dispatch(QString::fromStdString(out.string()), uniform() < 0.1);
    if (uniform() < 0.3) {
        settle(below(300));
        m_window->desks().dispatch.cancel();
    } else if (!rest()) {
        complain("a delivery did not end within a minute");
    }
}

void Week::act() {
    Studio& s = *m_studio;
    const auto count = [this](const char* name) { ++m_actions[name]; };
    const int reels = int(s.document.session().reels.size());
    const double kind = uniform();
    if (reels == 0 || (reels < m_wanted && kind < 0.25)) {
        count("add a recording");
        s.reader.addFiles({QString::fromStdString(
            (m_folder / "media" / ("reel-" + std::to_string(reels % m_wanted + 1) + ".wav")).string())});
        settle(60);
    } else if (kind < 0.32) {
        count("another reel");
        s.document.selectReel(s.document.session().reels[size_t(below(reels))].id);
        settle(30);
    } else if (kind < 0.40) {
        count("another stage");
        QTest::keyClick(m_window.get(), Qt::Key(Qt::Key_1 + below(5)), Qt::AltModifier);
        settle(30);
    } else if (kind < 0.46) {
        count("split");
        s.document.editReel("", [](Reel& r) { r.quality = "quick"; });
        QTest::keyClick(m_window.get(), Qt::Key_Return, Qt::ControlModifier);
        if (uniform() < 0.3) {
            settle(below(200));
            s.splitting.cancel();
        } else if (!rest()) {
            complain("a split did not end within a minute");
        }
    } else if (kind < 0.60) {
        count("keys");
        press(1 + below(6));
        settle(20);
    } else if (kind < 0.72) {
        count("sliders and lists");
        moveControls();
        settle(20);
    } else if (kind < 0.80) {
        count("pointer on a picture");
        pointer();
        settle(20);
    } else if (kind < 0.90) {
        count("undo and redo");
        for (int i = below(6); i >= 0; --i) s.document.undo();
        for (int i = below(4); i > 0; --i) s.document.redo();
        settle(20);
    } else if (kind < 0.93) {
        count("save");
        if (!s.file.save(QString::fromStdString(m_session.string()))) complain("cannot be saved");
    } else if (kind < 0.95) {
        count("close and open");
        if (!s.file.save(QString::fromStdString(m_session.string()))) complain("cannot be saved");
        s.file.begin();
        settle(20);
        if (!s.file.open(QString::fromStdString(m_session.string())))
            complain("cannot be opened again: " + m_lastWarning);
        settle(60);
    } else if (kind < 0.97) {
        count("deliver");
        deliver();
    } else if (kind < 0.98) {
        count("lost without saving");
        rest();        // what is being added has come by then
        settle(2200);  // the copy is written two seconds after an edit
        const Session before = s.document.session();
        const bool edited = s.document.history().modified();
        size_t copied = before.reels.size();
        if (edited && !s.file.recoverable().isEmpty())
            copied = loadSession(s.file.recoverable().toStdString()).reels.size();
        if (copied != before.reels.size())
            complain("the copy for a crash is old: " + std::to_string(copied) + " reels in it, " +
                     std::to_string(before.reels.size()) + " in the window");
        endWithoutSaving();
        if (edited && m_studio->document.session().reels.size() < before.reels.size())
            complain("reels were lost with the program: " + std::to_string(before.reels.size()) + " before, " +
                     std::to_string(m_studio->document.session().reels.size()) + " after, " +
                     (m_recovered ? "recovered" : "not recovered") + "; last said: " + m_lastWarning);
    } else {
        count("another size");
        m_window->resize(1000 + below(500), 650 + below(300));
        settle(20);
    }
}

}  // namespace rivlen::test
