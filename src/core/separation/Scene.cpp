#include "core/separation/Scene.h"

#include <bit>
#include <cmath>
#include <cstring>
#include <fstream>

#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/JsonReason.h"
#include "core/media/FileSum.h"
#include "core/media/WholeFile.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace fs = std::filesystem;
using nlohmann::json;

static_assert(std::endian::native == std::endian::little, "floats are written as they lie in memory");

namespace {

constexpr uintmax_t kLargestScene = uintmax_t(64) << 20;
constexpr size_t kMostChanges = 10000, kMostSpans = 10000;

std::vector<float> floatsOf(const json& value) {
    const auto& bytes = value.get_binary();
    std::vector<float> out(bytes.size() / sizeof(float));
    std::memcpy(out.data(), bytes.data(), out.size() * sizeof(float));
    for (const float v : out)
        if (!(std::fabs(v) < 1e6f)) throw Error(Error::Kind::InputUnreadable, "holds weights that cannot be.");
    return out;
}

json bytesOf(const std::vector<float>& values) {
    std::vector<std::uint8_t> bytes(values.size() * sizeof(float));
    std::memcpy(bytes.data(), values.data(), bytes.size());
    return json::binary(std::move(bytes));
}

Scene read(const json& j) {
    if (j.at("format") != "rivlen-scene") throw Error(Error::Kind::InputUnreadable, "is not a scene.");
    if (j.at("version").get<int>() > 1)
        throw Error(Error::Kind::InputUnreadable, "was made by a newer Rivlen: update Rivlen to use it.");
    Scene scene;
    scene.name = j.at("name");
    scene.network = j.at("network");
    scene.networkSum = j.at("network_sha256");
    scene.date = j.at("date");
    const json &spans = j.at("spans"), &changes = j.at("changes");
    if (spans.size() > kMostSpans || changes.size() > kMostChanges)
        throw Error(Error::Kind::InputUnreadable, "lists more than any scene has.");
    for (const json& s : spans)
        scene.spans.push_back({s.at("recording"), s.at("stem"), s.at("from").get<double>(), s.at("to").get<double>()});
    for (const auto& [stem, gain] : j.at("gain_db").items()) scene.gainDb[stem] = gain.get<double>();
    for (const auto& [name, value] : changes.items()) scene.changes[name] = floatsOf(value);
    if (scene.changes.empty()) throw Error(Error::Kind::InputUnreadable, "changes nothing.");
    return scene;
}

}  // namespace

Scene Scene::load(const fs::path& file) {
    const auto refuse = [&file](const std::string& why) {
        return Error(Error::Kind::InputUnreadable, "The scene \"" + file.string() + "\" " + why);
    };
    std::error_code problem;
    const auto size = fs::is_regular_file(file, problem) ? fs::file_size(file, problem) : 0;
    std::ifstream in(file, std::ios::binary);
    if (problem || !in || size == 0)
        throw refuse("cannot be read: check that it is there, or choose the network without it.");
    if (size > kLargestScene) throw refuse("is larger than 64 MB: no scene is.");
    std::vector<std::uint8_t> bytes(size);
    in.read(reinterpret_cast<char*>(bytes.data()), std::streamsize(size));
    try {
        return read(parsedCbor(bytes));
    } catch (const json::exception& e) {
        throw refuse("is incomplete or damaged: " + jsonReason(e) + ".");
    } catch (const Error& e) {
        throw refuse(e.what());
    }
}

void Scene::save(const fs::path& file) const {
    json j{{"format", "rivlen-scene"},     {"version", 1}, {"name", name},      {"network", network},
           {"network_sha256", networkSum}, {"date", date}, {"gain_db", gainDb}, {"spans", json::array()},
           {"changes", json::object()}};
    for (const SceneSpan& s : spans)
        j["spans"].push_back({{"recording", s.recording}, {"stem", s.stem}, {"from", s.from}, {"to", s.to}});
    for (const auto& [buffer, values] : changes) j["changes"][buffer] = bytesOf(values);
    const std::vector<std::uint8_t> bytes = json::to_cbor(j);
    if (!writeWholeFile(file, std::string(bytes.begin(), bytes.end())))
        throw Error(Error::Kind::OutputUnwritable, "The scene \"" + file.string() +
                                                       "\" cannot be written: check the folder's permissions and the "
                                                       "free space.");
}

NetworkCard withScene(NetworkCard card, const fs::path& file) {
    if (file.empty()) return card;
    const Scene scene = Scene::load(file);
    if (scene.networkSum != card.sha256)
        throw Error(Error::Kind::Usage,
                    "The scene \"" + file.string() + "\" was learned by " +
                        (scene.network == card.id ? "another version of the network \"" : "the network \"") +
                        scene.network + "\": learn it again, or go on without it.");
    if (!isShipped(card))
        throw Error(Error::Kind::Usage, "The network \"" + card.id +
                                            "\" did not come with Rivlen and cannot use a scene: go on without it.");
    card.scene = file;
    card.sceneSum = fileSha256(file);
    return card;
}

NetworkCard networkFor(const std::string& id, const std::string& quality, const fs::path& scene) {
    const NetworkCard card = findNetwork(id);
    if (!card.of.empty())
        throw Error(Error::Kind::Usage, "The network \"" + id + "\" takes the " + card.of +
                                            " of a recording further apart and cannot separate a recording: choose "
                                            "another one, and take the " +
                                            card.of + " apart afterwards.");
    return withScene(forQuality(card, quality), scene);
}

}  // namespace rivlen
