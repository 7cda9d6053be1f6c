#include "core/separation/StemStore.h"

#include <fcntl.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cmath>
#include <cstring>
#include <fstream>
#include <functional>
#include <nlohmann/json.hpp>

#include "core/audio/Decibel.h"
#include "core/base/Error.h"
#include "core/base/Json.h"
#include "core/base/Resources.h"
#include "core/base/Text.h"
#include "core/media/WholeFile.h"
#include "core/separation/PartNames.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

class StemReader : public SampleSource {
public:
    StemReader(const fs::path& file, StemStore::Shape shape) : m_shape(std::move(shape)) {
        m_file = ::open(file.c_str(), O_RDONLY | O_CLOEXEC);
        if (m_file < 0)
            throw Error(Error::Kind::InputUnreadable,
                        "The stored stem \"" + file.string() + "\" cannot be opened: split the reel again.");
    }
    ~StemReader() override { ::close(m_file); }
    int channels() const override { return m_shape.channels; }
    int sampleRate() const override { return m_shape.sampleRate; }
    int64_t frames() const override { return m_shape.frames; }

    AudioBuffer read(int64_t first, int64_t count) override {
        AudioBuffer out(m_shape.channels, count);
        const int64_t from = std::max<int64_t>(first, 0), to = std::min(first + count, m_shape.frames);
        if (to <= from) return out;
        const size_t channels = size_t(m_shape.channels);
        m_interleaved.assign(size_t(to - from) * channels, 0.0f);
        const size_t bytes = m_interleaved.size() * sizeof(float);
        size_t done = 0;
        while (done < bytes) {  // a file still being written ends early: the rest stays silent
            const ssize_t got = ::pread(m_file, reinterpret_cast<char*>(m_interleaved.data()) + done, bytes - done,
                                        off_t(size_t(from) * channels * sizeof(float) + done));
            if (got <= 0) break;
            done += size_t(got);
        }
        for (size_t c = 0; c < channels; ++c) {
            auto row = out.channel(int(c)).subspan(size_t(from - first), size_t(to - from));
            for (size_t i = 0; i < row.size(); ++i) row[i] = m_interleaved[i * channels + c];
        }
        return out;
    }

private:
    StemStore::Shape m_shape;
    int m_file = -1;
    std::vector<float> m_interleaved;
};

/// Changes when the engine hears recordings in another way: stems of the former one are not found any more.
constexpr const char* kHeard = "|frames";

}  // namespace

fs::path StemStore::folderFor(const fs::path& source, const std::string& networkSha, const std::string& quality) {
    std::error_code ignored;
    const fs::path whole = fs::weakly_canonical(source, ignored);
    const auto size = fs::file_size(source, ignored);
    const auto changed = fs::last_write_time(source, ignored).time_since_epoch().count();
    const std::string identity = whole.string() + "|" + std::to_string(size) + "|" + std::to_string(changed) + "|" +
                                 networkSha + "|" + quality + kHeard;
    std::string key = formatted("%016zx", std::hash<std::string>{}(identity));
    return cacheFolder() / "stems" / (source.stem().string().substr(0, 40) + "-" + key);
}

fs::path StemStore::stemFile(int stem) const {
    return m_folder /
           ((stem < int(m_shape.stems.size()) ? m_shape.stems[size_t(stem)] : std::string(kRoomStem)) + ".f32");
}

int StemStore::stemIndex(const std::string& name) const {
    const auto found = std::find(m_shape.stems.begin(), m_shape.stems.end(), name);
    return found == m_shape.stems.end() ? -1 : int(found - m_shape.stems.begin());
}

std::shared_ptr<StemStore> StemStore::openFinished(const fs::path& folder, bool tolerateDamage) {
    std::ifstream in(folder / "stems.json");
    if (!in) return nullptr;
    try {
        const auto facts = parsedJson(in);
        auto store = std::shared_ptr<StemStore>(new StemStore);
        store->m_folder = folder;
        store->m_shape = {facts.at("stems").get<std::vector<std::string>>(), facts.at("sample_rate"),
                          facts.at("channels"), facts.at("frames"), facts.value("room", false)};
        for (int s = 0; s < store->files(); ++s)
            if (fs::file_size(store->stemFile(s)) !=
                uintmax_t(store->m_shape.frames) * uintmax_t(store->m_shape.channels) * sizeof(float))
                return nullptr;
        store->m_levels = std::make_unique<LevelTrack>(int(store->m_shape.stems.size()));
        const auto& levels = facts.at("levels");
        for (size_t s = 0; s < levels.size() && s < store->m_shape.stems.size(); ++s)
            store->m_levels->setRow(int(s), levels[s].get<std::vector<float>>());
        store->m_throughDamage = facts.value("through_damage", false);
        if (store->m_throughDamage && !tolerateDamage) return nullptr;
        store->m_residual = facts.value("residual", -1.0);
        store->m_available = store->m_shape.frames;
        store->m_finished = true;
        return store;
    } catch (const std::exception&) {  // damaged: it can be made again
        return nullptr;
    }
}

std::shared_ptr<StemStore> StemStore::create(const fs::path& folder, Shape shape) {
    std::error_code problem;
    fs::remove_all(folder, problem);
    fs::create_directories(folder, problem);
    auto store = std::shared_ptr<StemStore>(new StemStore);
    store->m_folder = folder;
    store->m_shape = std::move(shape);
    store->m_levels = std::make_unique<LevelTrack>(int(store->m_shape.stems.size()));
    for (int s = 0; s < store->files(); ++s) {
        const int file = ::open(store->stemFile(s).c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644);
        if (file < 0)
            throw Error(Error::Kind::OutputUnwritable, "Stems cannot be stored in \"" + folder.string() + "\" (" +
                                                           std::strerror(errno) +
                                                           "): free some space or check its permissions.");
        store->m_files.push_back(file);
    }
    return store;
}

StemStore::~StemStore() {
    for (int file : m_files) ::close(file);
}

std::optional<double> StemStore::residualDb() const {
    if (m_residual < 0) return std::nullopt;
    return toDb(m_residual);
}

void StemStore::write(int stem, const AudioBuffer& sound) {
    std::vector<float> interleaved(sound.samples().size());
    for (int c = 0; c < sound.channels(); ++c)
        for (int64_t i = 0; i < sound.frames(); ++i)
            interleaved[size_t(i * sound.channels() + c)] = sound.channel(c)[size_t(i)];
    const char* from = reinterpret_cast<const char*>(interleaved.data());
    size_t left = interleaved.size() * sizeof(float);
    while (left > 0) {
        const ssize_t wrote = ::write(m_files[size_t(stem)], from, left);
        if (wrote < 0 && errno == EINTR) continue;
        if (wrote <= 0)
            throw Error(Error::Kind::OutputUnwritable, "Stems cannot be stored in \"" + m_folder.string() + "\" (" +
                                                           std::strerror(errno) +
                                                           "): free some space and split again.");
        from += wrote;
        left -= size_t(wrote);
    }
}

void StemStore::append(const StemBlock& block) {
    if (block.source.channels() > 0) {
        double residual = std::max(0.0, m_residual.load());
        const auto x = block.source.samples();
        for (size_t i = 0; i < x.size(); ++i) {
            double sum = 0;
            for (const auto& stem : block.stems) sum += double(stem.samples()[i]);
            residual = std::max(residual, std::fabs(sum - double(x[i])));
        }
        m_residual = residual;
    }
    for (size_t s = 0; s < block.stems.size(); ++s) write(int(s), block.stems[s]);
    if (m_shape.room) write(int(block.stems.size()), block.room);
    m_levels->add(block.stems);
    m_available += block.stems.at(0).frames();
}

void StemStore::skip(int64_t frames) {
    m_available += frames;
    for (int file : m_files) {
        const off_t size = off_t(m_available) * m_shape.channels * off_t(sizeof(float));
        if (::ftruncate(file, size) != 0 || ::lseek(file, size, SEEK_SET) != size)
            throw Error(Error::Kind::OutputUnwritable, "Stems cannot be stored in \"" + m_folder.string() + "\" (" +
                                                           std::strerror(errno) + "): free some space and try again.");
    }
}

void StemStore::finish(const std::vector<SourceFault>& faults) {
    m_throughDamage = std::any_of(faults.begin(), faults.end(),
                                  [](const SourceFault& f) { return f.kind == SourceFault::Kind::Damage; });
    m_levels->finish();
    nlohmann::json levels = nlohmann::json::array();
    for (int s = 0; s < m_levels->rows(); ++s) levels.push_back(m_levels->row(s));
    for (int file : m_files) ::fsync(file);  // what stems.json vouches for must outlast a power cut as well
    const nlohmann::json facts{{"stems", m_shape.stems},        {"sample_rate", m_shape.sampleRate},
                               {"channels", m_shape.channels},  {"frames", m_shape.frames},
                               {"room", m_shape.room},          {"through_damage", m_throughDamage},
                               {"residual", m_residual.load()}, {"levels", levels}};
    if (!writeWholeFile(m_folder / "stems.json", facts.dump()))
        throw Error(Error::Kind::OutputUnwritable,
                    "Stems cannot be stored in \"" + m_folder.string() + "\": free some space and split again.");
    m_finished = true;
}

std::unique_ptr<SampleSource> StemStore::openPlain(int stem) const {
    return std::make_unique<StemReader>(stemFile(stem), m_shape);
}

std::unique_ptr<SampleSource> StemStore::open(int stem) const {
    auto plain = openPlain(stem);
    auto more = patches();
    if (!more || size_t(stem) >= m_shape.stems.size()) return plain;
    return std::make_unique<PatchedStem>(std::move(plain), std::move(more), stem);
}

std::atomic<uint64_t> StemStore::s_numbers{0};

uint64_t StemStore::version() const {
    const std::lock_guard lock(m_guard);
    return m_version;
}

std::shared_ptr<const StemPatches> StemStore::patches() const {
    const std::lock_guard lock(m_guard);
    return m_patches;
}

StemReaders StemStore::openAll(const std::string& wanted) const {
    StemReaders readers;
    readers.patches = patches();
    for (size_t s = 0; s < m_shape.stems.size(); ++s) readers.stems.push_back(open(int(s)));
    if (m_shape.room) readers.room = open(int(m_shape.stems.size()));
    const std::string divided = stemOfPart(wanted);
    if (const auto apart = parts(divided)) {
        readers.divided = stemIndex(divided);
        for (size_t p = 0; p + 1 < apart->shape().stems.size(); ++p) readers.parts.push_back(apart->open(int(p)));
    }
    if (const auto ambience = parts("ambience"); ambience && divided != "ambience")
        if (const int events = ambience->stemIndex(kEventsPart); events >= 0) readers.events = ambience->open(events);
    return readers;
}

void StemStore::setParts(const std::string& stem, std::shared_ptr<const StemStore> parts) {
    const std::lock_guard lock(m_guard);
    m_parts[stem] = std::move(parts);
    m_version = ++s_numbers;
}

std::shared_ptr<const StemStore> StemStore::parts(const std::string& stem) const {
    const std::lock_guard lock(m_guard);
    const auto found = m_parts.find(stem);
    return found == m_parts.end() ? nullptr : found->second;
}

void StemStore::setPatches(std::shared_ptr<const StemPatches> patches) {
    const std::lock_guard lock(m_guard);
    m_patches = std::move(patches);
    m_version = ++s_numbers;
}

}  // namespace rivlen
