#include "playback/MixFeed.h"

namespace rivlen {

namespace {
constexpr double kRunIn =
    0.25;  // seconds that a graph is run in when it begins somewhere; longer would be heard as waiting
constexpr int kThreads = 2;
}  // namespace

void MixFeed::setPlan(std::shared_ptr<const MixPlan> plan) {
    const std::lock_guard lock(m_guard);
    m_plan = std::move(plan);
    m_has = m_plan != nullptr;
    if (!m_plan) {
        m_meters.reset();
        m_troubles.clear();
    }
}

void MixFeed::close() {
    setPlan(nullptr);
    m_graph.reset();
    m_used.reset();
}

std::shared_ptr<MixMeters> MixFeed::meters() const {
    const std::lock_guard lock(m_guard);
    return m_meters;
}

std::vector<RenderGraph::Trouble> MixFeed::troubles() const {
    const std::lock_guard lock(m_guard);
    return m_troubles;
}

AudioBuffer MixFeed::render(int64_t first, int64_t frames) {
    std::shared_ptr<const MixPlan> plan;
    {
        const std::lock_guard lock(m_guard);
        plan = m_plan;
    }
    if (!plan) {
        m_graph.reset();
        m_used.reset();
        return {};
    }
    const bool here = m_graph && m_next == first;
    AudioBuffer before;
    if (plan != m_used) {
        const bool taken = m_graph && plan->continues(*m_used) && m_graph->update(plan->rebuild);
        if (!taken) {
            if (here) before = m_graph->next(frames);  // faded into the new graph
            m_graph = std::make_unique<RenderGraph>(plan->rebuild, plan->materials, plan->options(kThreads));
            m_next = -1;
            const std::lock_guard lock(m_guard);
            m_meters = m_graph->meters();
        }
        m_used = plan;
    }
    m_began = m_next != first;
    if (m_next != first) m_graph->seek(first, int64_t(kRunIn * plan->materials->reel().sampleRate));
    AudioBuffer out = m_graph->next(frames);
    m_next = first + frames;
    if (auto troubles = m_graph->troubles(); !troubles.empty() || !m_troubles.empty()) {
        const std::lock_guard lock(m_guard);
        m_troubles = std::move(troubles);
    }
    if (before.channels() == out.channels())
        for (int c = 0; c < out.channels(); ++c)
            for (int64_t i = 0; i < frames; ++i) {
                const float w = float(i + 1) / float(frames);
                float& v = out.channel(c)[size_t(i)];
                v = (1 - w) * before.channel(c)[size_t(i)] + w * v;
            }
    return out;
}

void MixFeed::setHeadphones(std::shared_ptr<const HeadResponses> responses, double yaw) {
    const std::lock_guard lock(m_guard);
    m_responses = std::move(responses);
    m_yaw = yaw;
}

void MixFeed::setMonitor(ChannelLayout layout) {
    const std::lock_guard lock(m_guard);
    m_monitor = layout;
}

SpaceReading MixFeed::takeReading() {
    std::shared_ptr<SpaceMeter> meter;
    {
        const std::lock_guard lock(m_guard);
        meter = m_meter;
    }
    return meter ? meter->read() : SpaceReading();
}

void MixFeed::measure(const AudioBuffer& mix) {
    const Measured wanted = m_measured;
    if (wanted == Measured::Nothing || !m_used) return;
    const MixFormat format = m_used->rebuild->format;
    if (!m_meter || m_meter->format() != format || m_meter->channels() != mix.channels()) {
        auto meter = std::make_shared<SpaceMeter>(format, mix.channels(), m_used->materials->reel().sampleRate);
        const std::lock_guard lock(m_guard);
        m_meter = std::move(meter);
    }
    m_meter->add(mix, wanted == Measured::Everything ? SpaceMeter::Detail::Everything : SpaceMeter::Detail::Energy);
}

MixFormat MixFeed::monitored(AudioBuffer& mix) {
    const MixFormat own = m_used ? m_used->rebuild->format : MixFormat::Reel;
    ChannelLayout layout = ChannelLayout::Own;
    {
        const std::lock_guard lock(m_guard);
        layout = m_monitor;
    }
    if (layout == ChannelLayout::Own) return own;
    const Way way{own, mix.channels(), layout};
    if (m_monitorWay != way) {
        m_toMonitor.emplace(own, mix.channels(), layout);
        m_monitorWay = way;
    }
    mix = (*m_toMonitor)(mix);
    return formatOfLayout(layout);
}

bool MixFeed::headphones(AudioBuffer& mix, MixFormat format) {
    std::shared_ptr<const HeadResponses> responses;
    double yaw = 0;
    {
        const std::lock_guard lock(m_guard);
        responses = m_responses, yaw = m_yaw;
    }
    if (!responses || !m_used || responses->sampleRate() != m_used->materials->reel().sampleRate) {
        m_binaural.reset();
        return false;
    }
    const Way way{format, mix.channels(), ChannelLayout::Own};
    if (!m_binaural || m_heardThrough != responses || m_headWay != way) {
        m_binaural.emplace(format, mix.channels(), responses, yaw);
        m_heardThrough = responses;
        m_headWay = way;
    } else if (m_began) {
        m_binaural->reset();
    }
    m_binaural->turn(yaw);
    mix = m_binaural->process(mix);
    return true;
}

void MixFeed::fold(AudioBuffer& mix, MixFormat format) {
    if (format == MixFormat::Reel || format == MixFormat::Mono || format == MixFormat::Stereo) return;
    const Way way{format, mix.channels(), ChannelLayout::Stereo};
    if (m_foldWay != way) {
        m_fold.emplace(format, mix.channels(), ChannelLayout::Stereo);
        m_foldWay = way;
    }
    mix = (*m_fold)(mix);
}

void MixFeed::fill(PlayBlock& block, int64_t first) {
    std::fill(block.mix.begin(), block.mix.end(), 0.0f);
    AudioBuffer out = render(first, block.frames);
    if (out.channels() > 0) {
        measure(out);
        const MixFormat format = monitored(out);
        if (!headphones(out, format)) fold(out, format);
    }
    constexpr float half = 0.70710678f;
    for (int i = 0; i < block.frames && out.channels() > 0; ++i) {
        const auto x = [&](int c) { return out.channel(c)[size_t(i)]; };
        float left = x(0), right = x(out.channels() > 1 ? 1 : 0);
        if (out.channels() >= 6) left += half * (x(2) + x(4)), right += half * (x(2) + x(5));
        if (out.channels() == 8) left += half * x(6), right += half * x(7);
        block.mix[size_t(i)] = left;
        block.mix[size_t(PlayBlock::kFrames + i)] = right;
    }
}

}  // namespace rivlen
