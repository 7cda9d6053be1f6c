#include "core/delivery/ReelDelivery.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/base/Text.h"
#include "core/delivery/DeliveryEffort.h"
#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

/// A deliverable of the reel on its way.
struct Item {
    const Deliverable* wanted;
    std::optional<MadeDelivery> made;  ///< nothing: it was there before
    DeliveryReport before;
    bool held = false;  ///< waits for the sum
    double effort = 0;  ///< to make it; 0: it was there before

    DeliveryReport& report() { return made ? made->report : before; }
    std::vector<fs::path> files() { return made ? made->stored : before.files; }
};

constexpr double kMakingShare = 0.95;  // of the progress; the rest is for sums

const std::vector<std::string> kParts = {"dialogue", "music", "ambience"};

bool isPart(const Deliverable& d) {
    return storageFacts(d.storage).lossless && !storageFacts(d.storage).picture && d.storage != Storage::Adm &&
           (d.holds == "music-and-effects" || std::find(kParts.begin(), kParts.end(), d.holds) != kParts.end());
}

bool together(const Deliverable& a, const Deliverable& b) {
    return a.span == b.span && a.candidate == b.candidate && a.sampleRate == b.sampleRate && a.layout == b.layout;
}

/// How far a stored sample may lie from what it stands for.
double step(const Deliverable& d) {
    const int bits = d.storage == Storage::Flac && d.bits == 32 ? 24 : d.bits;
    if (bits == 32) return 0;
    return (d.dither == Dither::Shaped ? 14.0 : 1.6) / double(int64_t(1) << (bits - 1));
}

/// Sounds of several files, each with its gain undone, less one that they should sum to.
class Difference {
public:
    void add(const std::vector<fs::path>& files, double gain) { m_rows.push_back({open(files), gain}); }
    double largest(const Progress& progress) {
        const int64_t rate = m_rows[0].readers[0]->sampleRate(), frames = m_rows[0].readers[0]->frames();
        double worst = 0;
        for (int64_t at = 0; at < frames; at += rate) {
            progress.throwIfCancelled();
            progress.report(double(at) / double(frames));
            std::vector<double> sum;
            for (auto& row : m_rows) {
                size_t place = 0;
                for (auto& reader : row.readers) {
                    const AudioBuffer x = reader->read(at, std::min(rate, frames - at));
                    sum.resize(std::max(sum.size(), place + x.samples().size()), 0.0);
                    for (float v : x.samples()) sum[place++] += row.gain * double(v);
                }
            }
            for (double v : sum) worst = std::max(worst, std::fabs(v));
        }
        return worst;
    }

private:
    struct Row {
        std::vector<std::unique_ptr<MediaReader>> readers;
        double gain;
    };
    static std::vector<std::unique_ptr<MediaReader>> open(const std::vector<fs::path>& files) {
        std::vector<std::unique_ptr<MediaReader>> all;
        for (const auto& f : files) all.push_back(std::make_unique<MediaReader>(f));
        return all;
    }
    std::vector<Row> m_rows;
};

class Batch {
public:
    Batch(const std::function<DeliverySource(const Deliverable&)>& sources, const fs::path& to, bool overwriting,
          const DeliveryWatch& watching)
        : source(sources), folder(to), overwrite(overwriting), watch(watching) {}

    std::vector<DeliveryReport> run(const std::vector<Deliverable>& deliverables, const Progress& progress) {
        for (const Deliverable& d : deliverables) items.push_back({&d, {}, {}, false});
        for (Item& i : items) i.held = isPart(*i.wanted) && complete(*i.wanted);
        double all = 0, done = 0;
        for (Item& item : items) {
            if (const auto known = watch.known ? watch.known(*item.wanted) : std::nullopt) item.before = *known;
            else item.effort = effortToMake(*item.wanted, 3600);  // of whichever length
            all += item.effort;
        }
        for (Item& item : items) {
            if (item.effort == 0) continue;
            if (watch.making) watch.making(*item.wanted);
            const double from = kMakingShare * done / all, to = kMakingShare * (done += item.effort) / all;
            try {
                item.made =
                    makeDelivery(*item.wanted, source(*item.wanted), folder, overwrite, Progress(progress, from, to));
            } catch (const Error& e) {
                if (e.kind() != Error::Kind::Usage) throw;
                refuse(item, e.what());  // a recipe that does not fit this reel: the others may
                continue;
            }
            if (!item.held) end(item);
        }
        for (Item& item : items)
            if (item.held && !item.report().heldBack) sum(item, Progress(progress, kMakingShare, 1));
        for (Item& item : items)
            if (item.held && item.made) end(item);
        std::vector<DeliveryReport> reports;
        for (Item& item : items) reports.push_back(item.report());
        progress.report(1);
        return reports;
    }

private:
    void refuse(Item& item, const std::string& why) {
        const Deliverable& d = *item.wanted;
        item.before = {};
        item.before.name = d.name;
        try {
            const DeliverySource from = source(Deliverable());
            item.before.reel = from.reel;
            item.before.path = folder / deliveryFileName(d, from.session, from.reel);
        } catch (const Error&) {
            item.before.path = folder / d.name;
        }
        item.before.format = storageFacts(d.storage).name;
        item.before.checks = {{"recipe", false, why}};
        item.before.heldBack = true;
        if (watch.ended) watch.ended(item.before);
    }

    Item* part(const std::string& holds, const Deliverable& like) {
        for (Item& i : items)
            if (i.wanted->holds == holds && isPart(*i.wanted) && together(*i.wanted, like)) return &i;
        return nullptr;
    }
    bool complete(const Deliverable& d) {
        return std::all_of(kParts.begin(), kParts.end(), [&](const std::string& p) { return part(p, d) != nullptr; });
    }

    /// The check for the one that leads its group: the dialogue for all parts, M&E for itself.
    void sum(Item& item, const Progress& progress) {
        const Deliverable& d = *item.wanted;
        if (d.holds != "dialogue" && d.holds != "music-and-effects") return;
        std::vector<Item*> parts;
        for (const auto& p : kParts)
            if (d.holds == "dialogue" || p != "dialogue") parts.push_back(part(p, d));
        double allowed = 2e-5 + (d.holds == "dialogue" ? 0 : step(d));  // the floats' own rounding
        std::string names;
        for (Item* p : parts) {
            if (p->report().heldBack || p->report().limited < 0)
                return;  // what was limited is no part of a sum any more
            allowed += step(*p->wanted);
            names += (names.empty() ? "" : " + ") + p->wanted->holds;
        }
        if (d.holds == "music-and-effects" && item.report().limited < 0) return;
        Difference difference;
        for (Item* p : parts) difference.add(p->files(), fromDb(-p->report().gain));
        const ScratchFolder work(folder);
        if (d.holds == "dialogue") difference.add({reference(item, work / "mix.wav", Progress(progress, 0, 0.7))}, -1);
        else difference.add(item.files(), -fromDb(-item.report().gain));
        const double worst = difference.largest(Progress(progress, 0.7, 1));
        std::string figure = formatted(", largest difference %.0f dBFS", toDb(worst));
        const std::string what = names + (d.holds == "dialogue" ? " = the mix before its chain" : " = M&E");
        const bool passed = worst <= allowed;
        const DeliveryCheck check{
            "sum", passed,
            what + figure +
                (passed
                     ? ""
                     : ": a group's chain works on lanes of several parts at once; give each part a group of its own")};
        if (d.holds != "dialogue") parts = {&item};
        for (Item* p : parts) {
            p->report().checks.push_back(check);
            if (p->made) p->report().heldBack = !p->report().passed();
        }
    }

    fs::path reference(Item& item, const fs::path& file, const Progress& progress) {
        const Deliverable& d = *item.wanted;
        const DeliverySource from = source(d);
        const int own = from.materials->reel().sampleRate;
        MediaReader reader(item.files()[0]);
        const int64_t first = d.span ? std::llround(d.span->first * own) : 0;
        const int64_t frames = reader.frames();
        RenderGraph::Options options{2, from.channels};
        options.mixChain = false;
        renderDelivery(from, options, first, std::llround(double(frames) * own / reader.sampleRate()),
                       reader.sampleRate(), d.layout, frames, file, {}, progress);
        return file;
    }

    void end(Item& item) {
        DeliveryReport& report = item.made->report;
        if (!report.heldBack) {
            for (const auto& stored : item.made->stored) {
                const FileSums sums = fileSums(stored);
                report.sha256.push_back(sums.sha256);
                report.md5.push_back(sums.md5);
            }
            if (watch.naming) watch.naming(report);
            giveNames(*item.made, overwrite);
        }
        item.before = report;
        item.made.reset();  // its work folder goes away
        if (watch.ended) watch.ended(item.before);
    }

    const std::function<DeliverySource(const Deliverable&)>& source;
    const fs::path& folder;
    const bool overwrite;
    const DeliveryWatch& watch;
    std::vector<Item> items;
};

}  // namespace

std::vector<DeliveryReport> deliverReel(const std::vector<Deliverable>& deliverables,
                                        const std::function<DeliverySource(const Deliverable&)>& source,
                                        const fs::path& folder, bool overwrite, const DeliveryWatch& watch,
                                        const Progress& progress) {
    return Batch(source, folder, overwrite, watch).run(deliverables, progress);
}

}  // namespace rivlen
