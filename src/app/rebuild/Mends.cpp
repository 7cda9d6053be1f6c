#include "app/rebuild/Mends.h"

#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/MendPatches.h"

namespace rivlen {

Mends::Mends(const Document& document, const Reels& reels, Splitting& splitting, RebuildDesk& desk, RebuildMix& mix,
             QObject* parent)
    : QObject(parent), m_document(document), m_reels(reels), m_splitting(splitting), m_desk(desk), m_mix(mix) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(300);
    connect(&m_wait, &QTimer::timeout, this, &Mends::follow);
    connect(&mix, &RebuildMix::followed, this, [this] { m_wait.start(); });
}

void Mends::add(Mend mend) {
    m_desk.edit(say("Mend"), [&](Rebuild& r) { r.mends.push_back(std::move(mend)); });
}

void Mends::follow() {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->stems || !state->stems->finished() || !m_document.reel()) return;
    const auto& wanted = m_desk.rebuild().mends;
    if (wanted == m_mended && (state->stems->serial() == m_mendedStems || wanted.empty())) return;
    m_mended = wanted;
    m_mendedStems = state->stems->serial();
    if (wanted.empty()) {
        state->stems->setPatches(nullptr);
        m_splitting.touched();
        return;
    }
    const auto patches = std::make_shared<std::shared_ptr<const StemPatches>>();
    m_mix.run(
        say("Mending"),
        [patches, wanted, folder = state->stems->folder(),
         source = m_reels.heardFile(*m_document.reel())](Progress& p) {
            const auto plain = StemStore::openFinished(folder);
            if (!plain)
                throw Error(Error::Kind::InputUnreadable,
                            "The stems \"" + folder.string() + "\" are gone: split the reel again.");
            auto readers = plain->openAll();
            MediaReader reader(source);
            *patches = mendPatches(wanted, readers, reader, p);
        },
        [this, patches, store = state->stems] {
            store->setPatches(*patches);
            m_splitting.touched();
        });
}

}  // namespace rivlen
