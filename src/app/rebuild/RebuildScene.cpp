// RebuildDesk: rooms, replaced music, the written mix, and mends.
#include <QFileInfo>
#include <cmath>

#include "app/rebuild/RebuildDesk.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/MendPatches.h"

namespace rivlen {

void RebuildDesk::estimateRoom() {
    if (!ready() || !m_materials) return;
    const auto [from, to] = loopOr(0, double(m_materials->reel().frames) / m_materials->reel().sampleRate);
    const auto found = std::make_shared<std::optional<RoomShape>>();
    const bool split = m_reels.current()->stems != nullptr;
    run(
        "Estimating the room",
        [found, split, from = from, to = to, materials = m_materials, whole = m_shown](Progress& p) {
            const auto voice = materials->open(split ? "dialogue" : "source", *whole);
            *found = rivlen::estimateRoom(*voice, std::llround(from * voice->sampleRate()),
                                          std::llround(to * voice->sampleRate()), p);
        },
        [this, found, strip = m_lane] {
            if (!*found)
                return tell(
                    "The room cannot be told here: too few words die away freely. Take a longer loop, or set Decay by "
                    "ear.");
            const QString seconds = QString::number((*found)->decay(), 'f', 2);
            edit("Estimate room", [&](Rebuild& r) {
                r.rooms.push_back({r.freeId("room"), "Room of " + seconds.toStdString() + " s", **found});
                const auto use = [&](Strip& s) {
                    s.chain.room = true, s.chain.roomImpulse = r.rooms.back().id,
                    s.chain.roomDecay = std::clamp(std::round((*found)->decay() * 20) / 20, 0.1, 4.0);
                };
                if (Lane* l = r.lane(strip)) use(l->strip);
                for (auto& g : r.groups)
                    if (g.id == strip) use(g.strip);
                if (strip == "mix") use(r.mix);
            });
            m_work.report(
                QString("The scene's room dies away in %1 s; it is switched on for %2.").arg(seconds, laneName(strip)));
        });
}

void RebuildDesk::replaceMusic(MusicReplacement m, const std::filesystem::path& cue, bool matchLoudness) {
    if (!ready() || !m_materials) return;
    // The sound is named before the gain is known, so that it can be measured; it becomes part of the document with the
    // rest, in one step.
    Shared<Rebuild> with = m_shown;
    m.sound = soundFor(with.edit(), cue);
    const auto gain = std::make_shared<double>(m.gain);
    run(
        "Matching the new music",
        [gain, m, matchLoudness, reel = m_materials->reel(), with](Progress& p) {
            if (matchLoudness) *gain += matchingGain(*std::make_shared<Materials>(reel, true), *with, m, p);
        },
        [this, gain, m, cue] {
            MusicReplacement all = m;
            all.gain = *gain;
            std::string lane;
            try {
                edit("Replace the music", [&](Rebuild& r) {
                    all.sound = soundFor(r, cue);
                    lane = rivlen::replaceMusic(r, all);
                });
            } catch (const Error& e) {
                return tell(QString::fromStdString(e.what()));
            }
            chooseLane(lane);
            m_work.report(QString("The new music lies on a lane of its own at %1 dB%2; the old one is taken out there.")
                              .arg(*gain, 0, 'f', 1)
                              .arg(all.duck ? ", ducked under the voice" : ""));
        });
}

void RebuildDesk::render(const QString& file) {
    if (!ready() || !m_materials) return;
    const int channels = mixChannels(m_materials->reel().channels, *m_shown);
    run(
        "Writing the mix",
        [file, channels, materials = m_materials, whole = m_shown](Progress& progress) {
            const int64_t frames =
                std::max(materials->reel().frames, int64_t(std::llround(whole->end() * materials->reel().sampleRate)));
            AudioWriter writer(toPath(file), materials->reel().sampleRate, channels,
                               {AudioFormat::Container::Wav, AudioFormat::Bits::Float32});
            // Materials of its own: what plays meanwhile keeps its place in the files.
            const auto own = std::make_shared<Materials>(materials->reel(), true);
            renderMix(
                whole, own, {2, channels}, 0, frames, [&](const AudioBuffer& block) { writer.write(block); }, progress);
            writer.commit();
        },
        [this, file] { m_work.report(QString("The mix is written to %1.").arg(QFileInfo(file).fileName())); });
}

// ---- mending ----

void RebuildDesk::addMend(Mend mend) {
    edit("Mend", [&](Rebuild& r) { r.mends.push_back(std::move(mend)); });
}

void RebuildDesk::followMends() {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->stems || !state->stems->finished() || !m_document.reel()) return;
    const auto& wanted = m_shown->mends;
    if (wanted == m_mended && (state->stems.get() == m_mendedStems || wanted.empty())) return;
    m_mended = wanted;
    m_mendedStems = state->stems.get();
    if (wanted.empty()) {
        state->stems->setPatches(nullptr);
        m_splitting.touched();
        return;
    }
    const auto patches = std::make_shared<std::shared_ptr<const StemPatches>>();
    run(
        "Mending",
        [patches, wanted, folder = state->stems->folder(), source = m_reels.workFile(*m_document.reel())](Progress& p) {
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
