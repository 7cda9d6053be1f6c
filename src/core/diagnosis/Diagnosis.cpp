#include "core/diagnosis/Diagnosis.h"

#include <algorithm>
#include <future>

#include "core/diagnosis/Detector.h"

namespace rivlen {

namespace {

/// What the file itself lacks, as findings; places without values that lie close together are one.
std::vector<Finding> ofFile(const SampleSource& source) {
    constexpr double kTogether = 1.0;  // seconds
    std::vector<Finding> found;
    for (const SourceFault& f : source.faults()) {
        const double from = double(f.first) / source.sampleRate(), to = double(f.first + f.count) / source.sampleRate();
        Finding finding;
        finding.from = from;
        finding.to = to;
        finding.confidence = 1;
        finding.channel = f.channel;
        finding.kind = f.kind == SourceFault::Kind::Damage ? Fault::Damage
                       : f.kind == SourceFault::Kind::Gap  ? Fault::Gap
                                                           : Fault::NotNumbers;
        finding.severity = f.kind == SourceFault::Kind::NotNumbers ? double(f.count) : 1000 * (to - from);
        if (finding.kind == Fault::NotNumbers) {
            finding.places = {from};
            if (!found.empty() && found.back().kind == finding.kind && from - found.back().to < kTogether) {
                found.back().to = std::max(found.back().to, to);
                found.back().severity += finding.severity;
                if (found.back().channel != f.channel) found.back().channel = -1;
                found.back().places.push_back(from);
                continue;
            }
        }
        found.push_back(finding);
    }
    return found;
}

}  // namespace

Diagnosis diagnose(SampleSource& source, const Progress& progress) {
    const int channels = source.channels(), rate = source.sampleRate();
    std::vector<std::unique_ptr<Detector>> clicks, others;
    clicks.push_back(makeClickDetector(channels, rate));  // as dear as all others together
    for (auto make : {makeClippingDetector, makeHumDetector, makeNoiseDetector, makeChannelDetector,
                      makeSilenceDetector, makeGustDetector, makeSibilanceDetector, makeReverberationDetector})
        others.push_back(make(channels, rate));
    ContentSearch content(rate);
    std::future<void> running;
    for (int64_t at = 0; at < source.frames(); at += rate) {
        progress.throwIfCancelled();
        const auto block =
            std::make_shared<AudioBuffer>(source.read(at, std::min<int64_t>(rate, source.frames() - at)));
        if (running.valid()) running.get();
        running = std::async(std::launch::async, [&clicks, block] {
            for (auto& d : clicks) d->add(*block);
        });
        for (auto& d : others) d->add(*block);
        content.add(*block);
        progress.report(double(at + block->frames()) / double(source.frames()));
    }
    if (running.valid()) running.get();
    std::vector<Finding> findings;
    for (auto* list : {&clicks, &others})
        for (auto& d : *list) d->finish(findings);
    if (content.content() == Content::Mixed)
        if (auto under = content.under()) findings.push_back(*under);
    const auto inFile = ofFile(source);
    findings.insert(findings.end(), inFile.begin(), inFile.end());
    std::stable_sort(findings.begin(), findings.end(), [](const Finding& a, const Finding& b) {
        return std::pair(a.kind, a.from) < std::pair(b.kind, b.from);
    });
    return {std::move(findings), content.content()};
}

}  // namespace rivlen
