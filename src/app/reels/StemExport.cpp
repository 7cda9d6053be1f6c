#include "app/reels/StemExport.h"

#include <algorithm>

#include "app/words/Say.h"
#include "core/media/MediaReader.h"

namespace rivlen {

void exportStems(const Document& document, const Reels& reels, Work& work, const QString& folder,
                 const AudioFormat& format) {
    const Reel* r = document.reel();
    const ReelFacts* facts = reels.current();
    if (!r || !facts->stems || !facts->stems->finished())
        return work.warn(say("There are no stems to export yet: split the reel first."));
    work.submit(
        Work::Queue::Long, say("Exporting ") + QString::fromStdString(r->name),
        [source = reels.heardFile(*r), store = facts->stems, timeline = r->timeline(), format, folder,
         name = r->name](Progress& progress, const Work::Post&) {
            MediaReader reader(source);
            auto stems = store->openAll(timeline.base.stem);
            StemFiles files({folder.toStdString(), name, format, false, timeline.uses("balance")}, store->shape().stems,
                            reader.sampleRate(), reader.channels(), timeline);
            const int64_t block = reader.sampleRate() * 2;
            for (int64_t at = 0; at < reader.frames(); at += block) {
                progress.throwIfCancelled();
                const int64_t count = std::min(block, reader.frames() - at);
                files.add(stems.read(reader, at, count));
                progress.report(double(at + count) / double(reader.frames()));
            }
            files.finish();
        },
        [&work, folder, name = r->name](const JobQueue::Outcome& o) {
            if (o.done) work.report(say("Exported the stems of %1 to %2.").arg(QString::fromStdString(name), folder));
        });
}

}  // namespace rivlen
