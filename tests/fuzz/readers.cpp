#include "readers.h"

#include <unistd.h>

#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "core/batch/BatchRecord.h"
#include "core/delivery/DeliverySets.h"
#include "core/exchange/ReadList.h"
#include "core/media/MediaReader.h"
#include "core/media/PictureReader.h"
#include "core/media/Timecode.h"
#include "core/separation/NetworkCard.h"
#include "core/separation/Scene.h"
#include "core/separation/StemStore.h"
#include "core/session/DeliveryQueue.h"
#include "core/session/Presets.h"

namespace rivlen::fuzz {

namespace fs = std::filesystem;

namespace {

/// A folder of this process in memory, for readers that want files.
fs::path scratch() {
    static const fs::path folder = [] {
        const fs::path base = fs::exists("/dev/shm") ? "/dev/shm" : fs::temp_directory_path();
        const fs::path made = base / ("rivlen-fuzz-" + std::to_string(getpid()));
        fs::create_directories(made);
        return made;
    }();
    return folder;
}

fs::path written(const fs::path& name, const std::string& bytes) {
    const fs::path file = scratch() / name;
    fs::create_directories(file.parent_path());
    std::ofstream(file, std::ios::binary) << bytes;
    return file;
}

void readMedia(const std::string& bytes) {
    const fs::path file = written("media", bytes);
    MediaReader reader(file);
    if (reader.channels() > 64) return;
    reader.read(0, 4096);
    reader.read(std::max<int64_t>(0, reader.frames() - 5000), 4096);
}

void readPicture(const std::string& bytes) {
    const fs::path file = written("picture", bytes);
    PictureReader reader(file);
    if (reader.info().width > 2000 || reader.info().height > 2000) return;  // only slow
    reader.at(0, 32);
    reader.near(0.5, 32);
}

void readStems(const std::string& bytes) {
    const fs::path file = written("stems/stems.json", bytes);
    if (const auto store = StemStore::openFinished(file.parent_path())) store->openAll();
}

void readQueue(const std::string& bytes) {
    const fs::path file = written("queue/task-1.json", bytes);
    DeliveryQueue queue(file.parent_path());
    for (const auto& t : queue.tasks()) t.reel();
}

/// Documents are tried in the scene's own form as well, so that changed ones reach what lies behind its decoder.
void readScene(const std::string& bytes) {
    if (const auto j = nlohmann::json::parse(bytes, nullptr, false); !j.is_discarded()) {
        const auto cbor = nlohmann::json::to_cbor(j);
        Scene::load(written("b.scene", {cbor.begin(), cbor.end()}));
    }
    Scene::load(written("a.scene", bytes));
}

void readPreset(const std::string& bytes) {
    setenv("XDG_DATA_HOME", scratch().c_str(), 1);
    written("rivlen/presets/x.json", bytes);
    listPresets();
    isolationFromJson(nlohmann::json::parse(bytes));
}

/// What looks like no other kind is read as cuts and as markers; what could be read is laid in.
void readLists(const std::string& bytes) {
    const FrameRate rate{30000, 1001};
    const auto laidIn = [](const ReadList& list) {
        Rebuild rebuild = plainRebuild(60, false);
        layIn(rebuild, list, scratch(), 3600, 60);
    };
    if (bytes.starts_with("{")) return laidIn(readOtio(bytes, "x"));
    if (bytes.starts_with("<")) return laidIn(readAdl(bytes, "x"));
    try {
        laidIn(readMarkers(bytes, "x", rate));
    } catch (const Error&) {}
    laidIn(readCmx(bytes, "x", rate));
}

void readBatch(const std::string& bytes) {
    BatchUnit unit;
    unit.id = "x";
    written("out/.rivlen-batch/x.json", bytes);
    readBatchRecord(scratch() / "out", unit).holds(unit);
    batchUnitFrom(nlohmann::json::parse(bytes));
}

}  // namespace

const std::vector<Reader>& readers() {
    static const std::vector<Reader> all = {
        {"session", [](const std::string& bytes) { sessionText(parseSession(bytes, "/x/y.rivlen"), "/x"); }},
        {"set",
         [](const std::string& bytes) {
             for (const auto& d : parseDeliverySet(bytes, "x").deliverables)
                 deliveryFileNames(d, "session", "reel", {"L", "R"});
         }},
        {"queue", readQueue},
        {"card", [](const std::string& bytes) { NetworkCard::load(written("card.json", bytes)); }},
        {"scene", readScene},
        {"preset", readPreset},
        {"stems", readStems},
        {"time",
         [](const std::string& bytes) {
             parseTime(bytes);
             framesOfTimecode(bytes, {30000, 1001});
         }},
        {"list", readLists},
        {"batch", readBatch},
        {"media", readMedia},
        {"picture", readPicture},
    };
    return all;
}

void tried(const Reader& reader, const std::string& bytes) {
    try {
        reader.read(bytes);
    } catch (const Error&) {
    } catch (const nlohmann::json::exception&) {}
}

}  // namespace rivlen::fuzz
