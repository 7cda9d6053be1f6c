#include "DispatchRows.h"

#include "Support.h"
#include "core/base/Resources.h"
#include "core/rebuild/Rebuild.h"
#include "core/session/Session.h"

using namespace rivlen;
using test::text;
namespace fs = std::filesystem;

void dispatchRows(const fs::path& recording, double seconds, const fs::path& folder,
                  const std::function<std::pair<double, double>(const std::vector<std::string>&)>& run,
                  const std::function<void(const char*, const std::string&, const char*)>& row) {
    // The recording itself on a lane: what a split costs has a row of its own.
    Session session;
    session.name = "bench";
    Reel reel = makeReel(session, recording);
    Rebuild rebuild = plainRebuild(seconds, false);
    rebuild.lanes.resize(1);
    rebuild.lanes[0].edit().clips[0].material = "source";
    reel.rebuild = rebuild;
    session.reels = {reel};
    const auto one = [](const char* name, const std::function<void(Deliverable&)>& change) {
        Deliverable d;
        d.name = name;
        change(d);
        return d;
    };
    session.deliverables = {
        one("WAV, 24 bit, as it is", [](Deliverable&) {}),
        one("WAV at -23 LUFS", [](Deliverable& d) { d.loudness = -23; }),
        one("WAV at -9 LUFS, limited", [](Deliverable& d) { d.loudness = -9, d.tolerance = 5; }),
        one("5.1, 16 bit, noise shaped",
            [](Deliverable& d) { d.layout = ChannelLayout::Surround51, d.bits = 16, d.dither = Dither::Shaped; }),
        one("MP3", [](Deliverable& d) { d.storage = Storage::Mp3; }),
        one("AAC", [](Deliverable& d) { d.storage = Storage::Aac; })};
    saveSession(session, folder / "bench.rivlen");
    for (const auto& d : session.deliverables) {
        const auto [spent, megabytes] =
            run({(programFolder() / "rivlen-cli").string(), "dispatch", (folder / "bench.rivlen").string(), "--out",
                 (folder / "dispatch").string(), "--only", d.name});
        row(text("dispatch of %.0f s, %s", seconds, d.name.c_str()).c_str(),
            text("%.1fx real time, %.0f MB", seconds / spent, megabytes), "");
    }
}
