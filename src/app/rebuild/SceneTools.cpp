#include "app/rebuild/SceneTools.h"
#include "app/rebuild/LaneNames.h"

#include <QFileInfo>
#include <algorithm>
#include <cmath>

#include "app/document/Path.h"
#include "app/words/Say.h"
#include "core/base/Error.h"
#include "core/exchange/ReadList.h"
#include "core/media/AudioWriter.h"
#include "core/rebuild/Automation.h"
#include "core/rebuild/ClipEdits.h"
#include "core/rebuild/MendPatches.h"
#include "core/rebuild/RenderGraph.h"
#include "core/rebuild/Room.h"
#include "core/rebuild/RoomTone.h"
#include "core/space/MixFold.h"

namespace rivlen {

void SceneTools::estimateRoom() {
    if (!m_desk.ready() || !m_mix.materials()) return;
    const auto [from, to] = m_desk.loop().value_or(
        std::pair(0.0, double(m_mix.materials()->reel().frames) / m_mix.materials()->reel().sampleRate));
    const auto found = std::make_shared<std::optional<RoomShape>>();
    const bool split = m_reels.current()->stems != nullptr;
    m_mix.run(
        say("Estimating the room"),
        [found, split, from = from, to = to, materials = m_mix.materials(), whole = m_desk.shared()](Progress& p) {
            const auto voice = materials->open(split ? "dialogue" : "source", *whole);
            *found = rivlen::estimateRoom(*voice, std::llround(from * voice->sampleRate()),
                                          std::llround(to * voice->sampleRate()), p);
        },
        [this, found, strip = m_desk.laneId()] {
            if (!*found)
                return m_desk.tell(say(
                    "The room cannot be told here: too few words die away freely. Take a longer loop, or set Decay by "
                    "ear."));
            const QString seconds = QString::number((*found)->decay(), 'f', 2);
            m_desk.edit(say("Estimate room"), [&](Rebuild& r) {
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
            m_desk.report(say("The scene's room dies away in %1 s; it is switched on for %2.")
                              .arg(seconds, laneName(m_desk.rebuild(), strip)));
        });
}

void SceneTools::replaceMusic(MusicReplacement m, const std::filesystem::path& cue, bool matchLoudness) {
    if (!m_desk.ready() || !m_mix.materials()) return;
    // The sound is named before the gain is known, so that it can be measured; it becomes part of the document with the
    // rest, in one step.
    Shared<Rebuild> with = m_desk.shared();
    m.sound = soundFor(with.edit(), cue);
    const auto gain = std::make_shared<double>(m.gain);
    m_mix.run(
        say("Matching the new music"),
        [gain, m, matchLoudness, reel = m_mix.materials()->reel(), with](Progress& p) {
            if (matchLoudness) *gain += matchingGain(*std::make_shared<Materials>(reel, true), *with, m, p);
        },
        [this, gain, m, cue] {
            MusicReplacement all = m;
            all.gain = *gain;
            std::string lane;
            try {
                m_desk.edit(say("Replace the music"), [&](Rebuild& r) {
                    all.sound = soundFor(r, cue);
                    lane = rivlen::replaceMusic(r, all);
                });
            } catch (const Error& e) {
                return m_desk.tell(QString::fromStdString(e.what()));
            }
            m_desk.chooseLane(lane);
            m_desk.report(say("The new music lies on a lane of its own at %1 dB%2; the old one is taken out there.")
                              .arg(*gain, 0, 'f', 1)
                              .arg(all.duck ? say(", ducked under the voice") : ""));
        });
}

void SceneTools::render(const QString& file) {
    if (!m_desk.ready() || !m_mix.materials()) return;
    const int channels = laneChannels(m_mix.materials()->reel().channels, m_desk.rebuild());
    m_mix.run(
        say("Writing the mix"),
        [file, channels, materials = m_mix.materials(), whole = m_desk.shared()](Progress& progress) {
            const int64_t frames =
                std::max(materials->reel().frames, int64_t(std::llround(whole->end() * materials->reel().sampleRate)));
            AudioFormat format{AudioFormat::Container::Wav, AudioFormat::Bits::Float32};
            if (mixFormatFacts(whole->format).order > 0) format.layout = ChannelLayout::AmbiX;
            AudioWriter writer(toPath(file), materials->reel().sampleRate,
                               MixFold(whole->format, channels, ChannelLayout::Own).outputs(), format);
            // Materials of its own: what plays meanwhile keeps its place in the files.
            const auto own = std::make_shared<Materials>(materials->reel(), true);
            renderMix(
                whole, own, {2, channels}, 0, frames, [&](const AudioBuffer& block) { writer.write(block); }, progress);
            writer.commit();
        },
        [this, file] { m_desk.report(say("The mix is written to %1.").arg(QFileInfo(file).fileName())); });
}

void SceneTools::layInList(const QString& file) {
    const ReelFacts* facts = m_reels.current();
    if (!m_desk.ready() || !facts || !facts->info) return;
    const MediaInfo info = *facts->info;
    const auto laid = std::make_shared<LaidIn>();
    const auto made = std::make_shared<Rebuild>(m_desk.rebuild());
    const std::filesystem::path list = toPath(QFileInfo(file).absoluteFilePath());
    m_mix.run(
        say("Laying in ") + QFileInfo(file).fileName(),
        [laid, made, list, info](Progress&) {
            const FrameRate rate = info.picture ? info.picture->rate : FrameRate();
            *laid = layIn(*made, readList(list, rate), list.parent_path(), info.timecodeSeconds, info.duration());
        },
        [this, laid, made, before = m_desk.shared()] {
            if (!(*before == m_desk.rebuild()))
                return m_desk.tell(say("The lanes were changed while the list was read: lay it in again."));
            if (laid->lanes + laid->markers == 0)
                return m_desk.tell(laid->notes.empty() ? say("The list holds nothing that can be laid in.")
                                                       : said(laid->notes.front()));
            m_desk.edit(say("Lay in a list"), [&](Rebuild& r) { r = *made; });
            if (laid->lanes > 0) m_desk.chooseLane(made->lanes.back()->id);
            QStringList told;
            const auto several = [](auto n, const QString& one, const QString& more) {
                return (n == 1 ? one : more).arg(n);
            };
            if (laid->clips > 0)
                told << say("%1 on %2")
                            .arg(several(laid->clips, say("%1 clip"), say("%1 clips")),
                                 several(laid->lanes, say("%1 lane"), say("%1 lanes")));
            if (laid->markers > 0) told << several(laid->markers, say("%1 marker"), say("%1 markers"));
            const QString sentence = told.join(say(" and ")) + say(" laid in.");
            if (laid->notes.empty()) m_desk.report(sentence);
            else
                m_desk.tell(sentence + " " + said(laid->notes.front()) +
                            (laid->notes.size() > 1 ? say(" (and %1 more)").arg(laid->notes.size() - 1) : QString()));
        });
}

}  // namespace rivlen
