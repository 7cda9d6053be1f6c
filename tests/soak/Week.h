#pragma once
#include <map>
#include <random>

#include "../Support.h"
#include "app/window/MainWindow.h"

namespace rivlen::test {

/// What a process holds at one moment.
struct Held {
    double megabytes = 0;  ///< resident
    int files = 0, threads = 0;
};
Held heldNow();

/// A simulated week of work in the real window: a seeded hand that adds reels, splits, weighs, edits, undoes, hears,
/// delivers, saves, closes, opens, and loses the program without saving. Deterministic but for how long work takes.
class Week {
public:
    /// The folder holds the recordings (made if they are not there), the session and what is delivered; after a run
    /// that was killed it goes on with what was recovered.
    Week(const fs::path& folder, int reels, unsigned seed);
    ~Week();

    void act();  ///< one action, until the window has nothing more to do at once
    /// Waits, for a minute at most, until nothing is worked on. False when something still is.
    bool rest();
    /// With no session open: what is held then is held for nothing. Opens it again.
    Held heldWhenClosed();
    const std::map<std::string, int>& actions() const { return m_actions; }
    /// What the window said that nobody's work should make it say.
    const std::vector<std::string>& complaints() const { return m_complaints; }
    int refusals() const { return m_refusals; }  ///< sentences in the notice line, which are part of work
    size_t reels() const { return m_studio->document.session().reels.size(); }
    bool recovered() const { return m_recovered; }

private:
    void begin();
    void endWithoutSaving();
    void settle(int milliseconds);
    void closeDialogs();
    void listen();
    void complain(const std::string& text);
    double uniform(double from = 0, double to = 1);
    int below(int n) { return int(uniform() * n); }

    void press(int times);
    void moveControls();
    void pointer();
    void deliver();

    fs::path m_folder, m_session;
    int m_wanted;
    std::mt19937 m_random;
    std::unique_ptr<Studio> m_studio;
    std::unique_ptr<MainWindow> m_window;
    std::map<std::string, int> m_actions;
    std::vector<std::string> m_complaints;
    int m_refusals = 0;
    std::string m_lastWarning;
    bool m_recovered = false;
};

}  // namespace rivlen::test
