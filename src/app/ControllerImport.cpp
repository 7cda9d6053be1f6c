// The controller's part in bringing recordings in.
#include <QDirIterator>
#include <QFileInfo>
#include <algorithm>

#include "app/Controller.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

// In folders, what can't be a recording is passed over without a word; a file that is named by the user is always
// tried.
bool mayBeRecording(const QFileInfo& file) {
    static const QStringList known{"wav", "wave", "bwf",  "rf64", "w64", "flac", "aif", "aiff", "aifc", "caf",
                                   "mp3", "m4a",  "aac",  "ogg",  "oga", "opus", "wma", "ac3",  "eac3", "dts",
                                   "mka", "mp4",  "mov",  "m4v",  "mkv", "webm", "avi", "mxf",  "mpg",  "mpeg",
                                   "ts",  "mts",  "m2ts", "wmv",  "flv", "3gp",  "au",  "snd"};
    return known.contains(file.suffix().toLower()) && !file.fileName().startsWith('.');
}

QStringList filesIn(const QString& folder) {
    QStringList files;
    QDirIterator each(folder, QDir::Files, QDirIterator::Subdirectories);
    while (each.hasNext()) {
        each.next();
        if (mayBeRecording(each.fileInfo())) files << each.filePath();
    }
    std::sort(files.begin(), files.end());
    return files;
}

}  // namespace

void Controller::addFiles(const QStringList& files) {
    // Opening may take a moment for long compressed files or full folders: off the window's thread, as one job that can
    // be cancelled.
    const int number = m_sessionNumber;
    const auto failed = std::make_shared<QStringList>();
    const auto found = std::make_shared<int>(0);
    static int imports = 0;
    const std::string gesture = "import" + std::to_string(++imports);  // undone as one step
    const std::string title =
        files.size() == 1 ? files[0].section('/', -1).toStdString() : std::to_string(files.size()) + " items";
    m_quick.submit(
        "Opening " + title,
        [this, files, number, failed, found, gesture](Progress& progress) {
            std::vector<std::pair<QString, QString>> all;  // file, group
            for (const QString& f : files) {
                if (!QFileInfo(f).isDir()) all.push_back({f, ""});
                else
                    for (const QString& file : filesIn(f)) all.push_back({file, QFileInfo(file).dir().dirName()});
            }
            *found = int(all.size());
            for (size_t i = 0; i < all.size(); ++i) {
                progress.throwIfCancelled();
                progress.report(double(i) / double(all.size()));
                const QString file = all[i].first;
                try {
                    const MediaInfo info = MediaReader(toPath(file)).info();
                    later(number, [this, file, info, group = all[i].second, last = i + 1 == all.size(),
                                   gesture = all.size() > 1 ? gesture : std::string()] {
                        addReel(file, group, info, last, gesture);
                    });
                } catch (const Error& e) {
                    *failed << QString::fromUtf8(e.what());
                }
            }
        },
        [this, number, failed, found](const JobQueue::Outcome& o) {
            later(number, [this, o, failed, found] {
                if (!o.done && !o.cancelled) emit notice(QString::fromStdString(o.error));
                if (failed->size() == 1) emit notice(failed->front());
                else if (failed->size() > 1)
                    emit notice(QString("%1 of %2 files could not be read and are left out; the first: %3")
                                    .arg(failed->size())
                                    .arg(*found)
                                    .arg(failed->front()));
                if (o.done && *found == 0)
                    emit notice("There are no recordings in that folder: choose one that holds audio or video files.");
                openCurrent();
            });
        });
}

void Controller::addReel(const QString& file, const QString& group, const MediaInfo& info, bool last,
                         const std::string& gesture) {
    Reel reel = makeReel(session(), toPath(file));
    reel.group = group.toStdString();
    const bool first = session().reels.empty();
    m_history.edit(
        last && gesture.empty() ? "Add " + reel.name : "Add recordings",
        [&](Session& s) {
            s.reels.push_back(reel);
            if (first || last) s.current = reel.id;
        },
        gesture);
    m_states[reel.id].info = info;
    changed();
    readReel(reel);
    if (first || last) openCurrent();
}

}  // namespace rivlen
