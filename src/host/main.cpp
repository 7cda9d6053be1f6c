// Runs one network apart from everything else: tries it and says what it found, answers what it is asked over the
// socket until that closes, or lets it learn a scene. Started by NetworkProcess with its memory bounded; confined
// before the module is loaded.
#include <sys/resource.h>
#include <unistd.h>

#include "Confinement.h"
#include "core/base/HelperProcess.h"
#include "core/base/Memory.h"
#include "core/base/Unexpected.h"
#include "core/learning/LearnProcess.h"
#include "core/separation/NetworkCheck.h"
#include "core/separation/NetworkModule.h"

using namespace rivlen;

namespace {

constexpr int64_t kMostFrames = int64_t(192000) * 3600;  ///< of a request: an hour at the highest rate

void say(const std::string& text) {
    const NetworkReply reply{int64_t(text.size()), 0};
    helperPut(&reply, sizeof reply);
    helperPut(text.data(), text.size());
}

void serve(Network& network) {
    say("");
    while (true) {
        NetworkRequest request{};
        helperGet(&request, sizeof request);
        if (request.channels < 1 || request.channels > 2 || request.frames < 1 || request.frames > kMostFrames)
            _exit(1);
        try {
            AudioBuffer mixture = AudioBuffer::uncleared(request.channels, request.frames);
            helperGet(mixture.samples().data(), mixture.samples().size() * sizeof(float));
            const auto stems = network.separate(mixture, request.threads);
            const NetworkReply reply{0, int64_t(stems.size())};
            helperPut(&reply, sizeof reply);
            for (const auto& stem : stems) helperPut(stem.samples().data(), stem.samples().size() * sizeof(float));
        } catch (const Error& e) {
            say(e.what());
        } catch (const std::exception& e) {
            say(unexpected(e, "running the network").what());
        }
    }
}

constexpr int kLowerPriority = 5, kLearningThreads = 2;
constexpr int64_t kMostMarked = int64_t(192000) * 1800;  ///< frames in all: what is marked fits into the memory

/// Fills in what the user marked. False when it cannot be.
bool getMarked(SceneSounds& sounds, int& channels) {
    int64_t all = 0;
    while (true) {
        MarkedHeader header{};
        helperGet(&header, sizeof header);
        if (header.frames < 0) return channels > 0;
        all += header.frames;
        if (header.stem < 0 || header.stem > int(kStemCount) || header.channels < 1 || header.channels > 2 ||
            (channels != 0 && header.channels != channels) || header.frames < 1 || all > kMostMarked)
            return false;
        channels = header.channels;
        AudioBuffer sound = AudioBuffer::uncleared(channels, header.frames);
        helperGet(sound.samples().data(), sound.samples().size() * sizeof(float));
        if (header.stem == int(kStemCount)) sounds.reel.push_back(std::move(sound));
        else sounds.marked[size_t(header.stem)].push_back(std::move(sound));
    }
}

void learn(Learner& learner, SoundsByStem library) {
    say("");
    SceneSounds sounds;
    LearnSettings settings;
    int channels = 0;
    helperGet(&settings, sizeof settings);
    if (!getMarked(sounds, channels)) _exit(1);
    for (size_t stem = 0; stem < kStemCount; ++stem)
        for (AudioBuffer& sound : library[stem]) {
            sounds.library[stem].push_back(withChannels(sound, channels));
            sound = {};
        }
    Progress progress;
    progress.onProgress = [](double along) { say(nlohmann::json{{"along", along}}.dump()); };
    const SceneOutcome outcome = learnScene(learner, sounds, settings, progress);
    const std::string text = nlohmann::json{
        {"kept", outcome.kept},
        {"reason", outcome.reason},
        {"gain_db", outcome.gainDb},
        {"steadier_db",
         outcome.steadierDb}}.dump();
    const NetworkReply reply{int64_t(text.size()), int64_t(outcome.changes.size())};
    helperPut(&reply, sizeof reply);
    helperPut(text.data(), text.size());
    for (const auto& [name, values] : outcome.changes) {
        const ChangeHeader header{int64_t(name.size()), int64_t(values.size())};
        helperPut(&header, sizeof header);
        helperPut(name.data(), name.size());
        helperPut(values.data(), values.size() * sizeof(float));
    }
}

}  // namespace

int main(int argc, char** argv) {
    keepLargeBlocks();
    NetworkFacts facts;
    const std::string task = argc == 4 ? argv[1] : "";
    if (task != "try" && task != "serve" && task != "learn") return 2;
    const bool tries = task == "try";
    try {
        NetworkCard card = NetworkCard::load(argv[2]);
        card.sha256 = argv[3];  // the module that was asked for, whatever the card says by now
        const std::string module = moduleBytes(card);
        SoundsByStem library;
        if (task == "learn") {
            setpriority(PRIO_PROCESS, 0, kLowerPriority);
            library = sceneLibrary(card.sampleRate, 2);
        }
        prepareBackend();
        facts.confinedBy = confine();
        endWithTheOther();
        refuseInflating(card, module);
        if (task == "learn") {
            learn(*beginLearning(card, module, kLearningThreads), std::move(library));
            _exit(0);
        }
        const auto network = loadHere(card, module);
        if (!tries) serve(*network);
        const std::string by = facts.confinedBy;
        facts = probe(*network);
        facts.confinedBy = by;
    } catch (const Error& e) {
        facts.reason = e.what();
    } catch (const std::exception& e) {
        facts.reason = unexpected(e, "loading the network").what();
    }
    say(tries ? toJson(facts).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace) : facts.reason);
    _exit(0);  // libtorch's destructors have nothing to save
}
