#pragma once
#include <memory>

#include "core/separation/Network.h"
#include "core/separation/Scene.h"

namespace rivlen {

/// Mixtures with known parts: float[count, 3, channels, frames], dialogue, music and ambience of each.
struct Lesson {
    int count = 0, channels = 0;
    int64_t frames = 0;
    std::vector<float> parts;

    /// The samples of one channel of one part of one mixture.
    float* at(int mixture, int part, int channel) {
        return parts.data() + ((int64_t(mixture) * 3 + part) * channels + channel) * frames;
    }
};

/// A network whose weights can be changed a little, in memory: by what its module's buffers named change_... add to
/// them. Its module has a method lesson() that says how far an answer is from the parts (docs/formats.md, "Scenes").
class Learner {
public:
    virtual ~Learner() = default;
    /// One step of Adam (Kingma and Ba, 2014) at a rate, on the lesson's loss; returns the loss before it. Throws Error
    /// (Other).
    virtual double step(const Lesson& lesson, double rate) = 0;
    virtual WeightChanges changes() const = 0;
    /// The network as it is now. Not to be used while a step is under way.
    virtual Network& network() = 0;
};

/// Loads a module into this process to be changed; threads: to compute with. Throws Error (InputUnreadable) when it is
/// broken, (Usage) when it cannot learn. The process should do nothing else: libtorch's optimiser of graphs is switched
/// off in all of it.
std::unique_ptr<Learner> beginLearning(const NetworkCard& card, const std::string& module, int threads);

}  // namespace rivlen
