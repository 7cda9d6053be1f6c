#include "app/dispatch/DeliveryHearing.h"

#include "app/words/Say.h"
#include "core/media/JoinedFiles.h"
#include "core/session/SessionDelivery.h"
#include "core/space/FoldedSource.h"

namespace rivlen {

namespace fs = std::filesystem;

DeliveryHearing::DeliveryHearing(Document& document, Reels& reels, DeliverablesDesk& deliverables,
                                 DispatchDesk& dispatch, MixMaker& mix, Work& work, QObject* parent)
    : QObject(parent),
      m_document(document),
      m_reels(reels),
      m_deliverables(deliverables),
      m_dispatch(dispatch),
      m_mix(mix),
      m_own(work, this) {
    mix.playInstead([this](const auto& rebuild) { return plan(rebuild); });
    connect(&deliverables, &DeliverablesDesk::changed, &mix, &MixMaker::planAnew);
    connect(&dispatch, &DispatchDesk::changed, &mix, &MixMaker::planAnew);
}

std::shared_ptr<const MixPlan> DeliveryHearing::plan(const std::shared_ptr<const MixPlan>& rebuild) {
    const Reel* reel = m_document.reel();
    const auto& all = m_deliverables.deliverables();
    const int chosen = m_deliverables.chosen();
    const Plays before = m_plays;
    if (m_document.session().stage != stage::dispatch || !reel || chosen < 0 || chosen >= int(all.size())) {
        m_plan.reset();
        m_key.clear();
        m_plays = Plays::Nothing;
        return rebuild;
    }
    const Deliverable& d = all[size_t(chosen)];
    const auto& deliveries = m_dispatch.deliveries();
    const auto made = deliveries.find({reel->id, d.name});
    const DeliveryReport* report = made != deliveries.end() && made->second.report && !made->second.report->heldBack
                                       ? &*made->second.report
                                       : nullptr;
    std::error_code gone;
    if (report && std::any_of(report->files.begin(), report->files.end(),
                              [&](const auto& file) { return !fs::exists(file, gone); }))
        report = nullptr;
    const std::string key = report
                                ? report->path.string() + "|" + (report->sha256.empty() ? "" : report->sha256.front())
                                : m_mix.materialsKey() + "|" + toJson(d).dump() + "|" + reel->id + "|" +
                                      std::to_string(rebuild ? uintptr_t(&*rebuild->rebuild) : 0);
    if (key != m_key) {
        m_key = key;
        m_why.clear();
        m_plays = Plays::Nothing;
        try {
            m_plan = report ? delivered(*report, d) : toBeDelivered(d);
            if (m_plan) m_plays = report ? Plays::Delivered : Plays::ToBeDelivered;
        } catch (const Error& e) {
            m_plan.reset();
            m_why = QString::fromStdString(e.what());
        }
    }
    if (m_plays != before) emit changed();
    return m_plan;
}

std::shared_ptr<const MixPlan> DeliveryHearing::delivered(const DeliveryReport& report, const Deliverable& d) {
    const ReelFacts* facts = m_reels.current();
    if (!facts || !facts->info) return nullptr;
    if (d.storage == Storage::Adm) return placedAgain(report, d);
    const int rate = facts->info->sampleRate;
    std::vector<fs::path> files;
    for (const auto& file : report.files)
        if (const auto ready = soundAtRate(file, rate)) files.push_back(*ready);
    if (files.size() < report.files.size()) {  // at another rate: heard once it is brought to the reel's
        m_own.begin();
        m_own.submit(
            say("Reading ") + QString::fromStdString(report.path.filename().string()),
            [all = report.files, rate](Progress& progress, const Work::Post&) {
                for (size_t i = 0; i < all.size(); ++i)
                    convertSound(all[i], rate,
                                 Progress(progress, double(i) / double(all.size()),
                                          double(i + 1) / double(all.size())));
            },
            [this](const JobQueue::Outcome& o) {
                m_key.clear();
                if (o.done) m_mix.planAnew();
            });
        return nullptr;
    }
    Rebuild r;
    Lane lane;
    lane.id = "lane";
    lane.name = d.name;
    Clip clip;
    clip.id = "clip";
    clip.material = "source";  // its own: see below
    clip.at = d.span ? d.span->first : 0;
    clip.length = report.duration;
    lane.clips.push_back(clip);
    r.lanes.emplace_back(lane);
    ReelMaterial material;
    material.sampleRate = rate;
    JoinedFiles joined(files);
    material.frames = joined.frames();
    const MixFormat format = formatOfChannels(joined.channels());
    const bool folded = format != MixFormat::Reel;
    material.channels = folded ? 2 : joined.channels();
    material.source = [files, format, folded]() -> std::unique_ptr<SampleSource> {
        auto whole = std::make_unique<JoinedFiles>(files);
        if (!folded) return whole;
        return std::make_unique<FoldedSource>(std::move(whole), format, ChannelLayout::Stereo);
    };
    auto plan = std::make_shared<MixPlan>();
    plan->rebuild = r;
    plan->materials = std::make_shared<Materials>(std::move(material), false);
    plan->channels = laneChannels(folded ? 2 : joined.channels(), r);
    return plan;
}

std::shared_ptr<const MixPlan> DeliveryHearing::placedAgain(const DeliveryReport& report, const Deliverable& d) {
    const auto wanted = toBeDelivered(d);
    if (!wanted) return nullptr;
    auto plan = std::make_shared<MixPlan>(*wanted);
    Strip& mix = plan->rebuild.edit().mix;
    if (!plan->mixChain) mix = Strip();
    mix.chain = {};  // it is not in the file
    mix.level += report.gain;
    plan->mixChain = true;
    return plan;
}

std::shared_ptr<const MixPlan> DeliveryHearing::toBeDelivered(const Deliverable& d) {
    const auto materials = m_mix.materials();
    if (!materials || !materials->reel().stems || !materials->reel().stems->finished()) {
        m_why = say("The reel is not split yet: it is heard once it is.");
        return nullptr;
    }
    const DeliverySource source = deliverySource(m_document.session(), *m_document.reel(), d, materials->reel());
    const DeliveryContent& content = deliveryContent(d.holds);
    auto plan = std::make_shared<MixPlan>();
    plan->rebuild = source.rebuild;
    plan->materials = source.materials;
    plan->channels = source.channels;
    plan->chosenLanes = true;
    plan->lanes = lanesOf(*source.rebuild, content);
    plan->duck = content.ducked;
    plan->mixChain = content.mixChain;
    return plan;
}

}  // namespace rivlen
