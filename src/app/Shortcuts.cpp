#include "app/Shortcuts.h"

#include <QShortcut>

namespace rivlen {

void addShortcut(QWidget* window, const char* keys, std::function<void()> action) {
    auto* shortcut = new QShortcut(QKeySequence(QString::fromLatin1(keys)), window);
    QObject::connect(shortcut, &QShortcut::activated, window, std::move(action));
}

QString shortcutSheet() {
    struct Row {
        const char* keys;
        const char* does;
    };
    static constexpr Row rows[] = {
        {"Space", "play or stop"},
        {"1 … 6", "hear Source, Result, Dialogue, Music, Ambience, Leftovers"},
        {"7, 8", "where treatments work: hear the reel as recorded, and what they removed"},
        {"O, held", "hear the source while the key is down"},
        {"M", "level match on or off"},
        {"[ and ]", "loop starts or ends at the playhead"},
        {"L", "take the loop away"},
        {", and .", "one second back or on"},
        {"Home, End", "to the start or the end"},
        {"Ctrl+Left, Ctrl+Right", "a picture frame back or on"},
        {"F", "show or hide the picture window"},
        {"Y", "at Intake: all reels as a table"},
        {"V", "Current or Ownership picture"},
        {"A … D", "at Weigh: use a candidate; with Shift keep the present setting as it"},
        {"P", "in a blind comparison: prefer what is heard"},
        {"Ctrl+1 … 3", "at Weigh: the strength of Dialogue, Music, Ambience"},
        {"R", "at Weigh: a region of its own for the loop"},
        {"T", "at Weigh: try networks and settings on the loop"},
        {"X", "at Weigh: the difference of two candidates as a picture"},
        {"K", "at Weigh: take the suggested strength"},
        {"N, Shift+N", "at Weigh: hear the next or the last of the worst places"},
        {"9", "hear the Mix, where there is a rebuild"},
        {"G", "show or hide the meters"},
        {"Ctrl+Up, Ctrl+Down", "at Rebuild: choose a lane; N, Shift+N a clip on it"},
        {"S, X", "at Rebuild: split clips at the playhead, cross-fade into the next"},
        {"Ctrl+D, Ctrl+C, Ctrl+X, Ctrl+V", "at Rebuild: duplicate, copy, cut, paste at the playhead; Delete removes"},
        {"Shift+[, Shift+]", "at Rebuild: trim clips to the playhead"},
        {"Alt+Left, Alt+Right", "at Rebuild: nudge by a picture frame or 10 ms; with Shift slip"},
        {"U, Shift+U, Shift+S", "at Rebuild: mute clips, mute the lane, solo it"},
        {"E, W", "at Rebuild: keep a before, hear before or after"},
        {"K, T, R", "at Rebuild: marker, fill the loop with room tone, replace the music"},
        {"+, - and 0", "show less time, more time, everything"},
        {"Alt+1 … 5", "the stages of the course"},
        {"Ctrl+I, Ctrl+Shift+I", "add recordings, add a folder"},
        {"Ctrl+Return", "split the reel"},
        {"Ctrl+E", "export its stems"},
        {"Ctrl+Z, Ctrl+Shift+Z", "undo, redo"},
        {"Tab, Return", "move between controls, press a button"},
        {"Esc", "dismiss a message"},
    };
    QString text = "<table cellspacing=6>";
    for (const Row& r : rows)
        text += QString("<tr><td><b>%1</b></td><td style='padding-left:16px'>%2</td></tr>").arg(r.keys, r.does);
    return text + "</table>";
}

}  // namespace rivlen
