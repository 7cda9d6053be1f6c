#include "app/reels/ReelReader.h"

#include <QFileInfo>
#include <algorithm>

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/media/RecordingFiles.h"

namespace rivlen {

ReelReader::ReelReader(Document& document, Reels& reels, Work& work, QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_work(work) {
    connect(&document, &Document::filled, this, [this] {
        for (const Reel& r : m_document.session().reels) read(r);
    });
    const auto one = [this](const std::string& id) {
        if (const Reel* r = m_document.session().reel(id)) read(*r);
    };
    connect(&document, &Document::added, this, one);
    connect(&document, &Document::sourceReplaced, this, one);
}

void ReelReader::addFiles(const QStringList& files) {
    // Opening may take a moment for long compressed files or full folders: off the window's thread, as one job that can
    // be cancelled.
    const auto failed = std::make_shared<QStringList>();
    const auto found = std::make_shared<int>(0);
    const std::string gesture = "import" + std::to_string(++m_imports);  // undone as one step
    const QString title = files.size() == 1 ? files[0].section('/', -1) : QString::number(files.size()) + say(" items");
    m_work.submit(
        Work::Queue::Reading, say("Opening ") + title,
        [this, files, failed, found, gesture](Progress& progress, const Work::Post& post) {
            std::vector<std::pair<QString, QString>> all;  // file, group
            for (const QString& f : files) {
                if (!QFileInfo(f).isDir()) all.push_back({f, ""});
                else
                    for (const auto& file : recordingsIn(toPath(f)))
                        all.push_back({QString::fromStdString(file.string()),
                                       QString::fromStdString(file.parent_path().filename().string())});
            }
            *found = int(all.size());
            for (size_t i = 0; i < all.size(); ++i) {
                progress.throwIfCancelled();
                progress.report(double(i) / double(all.size()));
                const auto [file, group] = all[i];
                try {
                    const MediaInfo info = MediaReader(toPath(file)).info();
                    post([this, file = file, group = group, info, last = i + 1 == all.size(),
                          gesture = all.size() > 1 ? gesture : std::string()] {
                        add(file, group, info, last, gesture);
                    });
                } catch (const Error& e) {
                    *failed << QString::fromUtf8(e.what());
                }
            }
        },
        [this, failed, found](const JobQueue::Outcome& o) {
            if (failed->size() == 1) m_work.warn(failed->front());
            else if (failed->size() > 1)
                m_work.warn(say("%1 of %2 files could not be read and are left out; the first: %3")
                                .arg(failed->size())
                                .arg(*found)
                                .arg(failed->front()));
            if (o.done && *found == 0)
                m_work.warn(say("There are no recordings in that folder: choose one that holds audio or video files."));
        });
}

void ReelReader::add(const QString& file, const QString& group, const MediaInfo& info, bool last,
                     const std::string& gesture) {
    Reel reel = makeReel(m_document.session(), toPath(file));
    reel.group = group.toStdString();
    m_reels.write(reel.id).info = info;
    m_document.add(reel,
                   (last && gesture.empty() ? say("Add ") + QString::fromStdString(reel.name) : say("Add recordings"))
                       .toStdString(),
                   gesture, last);
}

void ReelReader::read(const Reel& reel) {
    ReelFacts& facts = m_reels.write(reel.id);
    facts.missing = !QFileInfo::exists(QString::fromStdString(reel.source.string()));
    if (facts.missing || facts.reading || facts.inspection) return m_reels.tellRead();
    facts.reading = true;
    facts.levels = std::make_shared<LevelTrack>(1);
    m_work.submit(
        Work::Queue::Reading, say("Reading ") + QString::fromStdString(reel.name),
        [this, id = reel.id, source = reel.source, levels = facts.levels](Progress& progress, const Work::Post& post) {
            MediaReader reader(source);
            post([this, id, info = reader.info()] {
                m_reels.write(id).info = info;
                m_reels.tellInformed(id);
            });
            ObservedSource observed(reader, *levels);
            const Inspection found = inspect(observed, progress);
            levels->finish();
            post([this, id, found] { m_reels.write(id).inspection = found; });
        },
        [this, id = reel.id](const JobQueue::Outcome& o) {
            m_reels.write(id).reading = false;
            if (const Reel* r = o.done ? m_document.session().reel(id) : nullptr) diagnose(*r);
            m_reels.tellRead();
        });
}

void ReelReader::diagnose(const Reel& reel) {
    m_work.submit(Work::Queue::Looking, say("Looking for faults in ") + QString::fromStdString(reel.name),
                  [this, id = reel.id, source = reel.source](Progress& progress, const Work::Post& post) {
                      MediaReader reader(source);
                      const auto diagnosis = rivlen::diagnose(reader, progress);
                      post([this, id, source, diagnosis] {
                          const Reel* r = m_document.session().reel(id);
                          if (!r || r->source != source) return;  // another file was laid under it meanwhile
                          m_reels.write(id).diagnosis = diagnosis;
                          m_reels.tellDiagnosed(id);
                          m_reels.tellRead();
                      });
                  });
}

}  // namespace rivlen
