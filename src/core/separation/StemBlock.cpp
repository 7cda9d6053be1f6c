#include "core/separation/StemBlock.h"

namespace rivlen {

StemBlock StemBlock::slice(int64_t first, int64_t count) const {
    StemBlock part{source.slice(first, count), {}, {}};
    for (const auto& stem : stems) part.stems.push_back(stem.slice(first, count));
    if (hasRoom()) part.room = room.slice(first, count);
    if (hasEvents()) part.events = events.slice(first, count);
    for (const auto& p : parts) part.parts.push_back(p.slice(first, count));
    part.divided = divided;
    return part;
}

void StemBlock::append(const StemBlock& more) {
    if (source.channels() == 0) {
        *this = more;
        return;
    }
    source.append(more.source);
    for (size_t s = 0; s < stems.size(); ++s) stems[s].append(more.stems[s]);
    if (hasRoom()) room.append(more.room);
    if (hasEvents()) events.append(more.events);
    for (size_t p = 0; p < parts.size(); ++p) parts[p].append(more.parts[p]);
}

StemBlock gathered(const AudioBuffer& source, const std::vector<AudioBuffer>& given, bool roomIsLast) {
    StemBlock block{source, given, {}};
    if (!roomIsLast) return block;
    block.room = std::move(block.stems.back());
    block.stems.pop_back();
    auto voice = block.stems[0].samples();
    const auto room = block.room.samples();
    for (size_t i = 0; i < voice.size(); ++i) voice[i] += room[i];
    return block;
}

StemBlock StemReaders::read(SampleSource& source, int64_t first, int64_t count) {
    StemBlock block{source.read(first, count), {}, {}};
    if (patches) patches->addTo(block.source, first, -1);
    for (auto& stem : stems) block.stems.push_back(stem->read(first, count));
    if (room) block.room = room->read(first, count);
    if (events) block.events = events->read(first, count);
    if (parts.empty()) return block;
    block.divided = divided;
    AudioBuffer last = block.stems[size_t(divided)];
    for (auto& part : parts) {
        block.parts.push_back(part->read(first, count));
        for (size_t i = 0; i < last.samples().size(); ++i) last.samples()[i] -= block.parts.back().samples()[i];
    }
    block.parts.push_back(std::move(last));
    return block;
}

}  // namespace rivlen
