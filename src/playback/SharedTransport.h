#pragma once
#include <cstdint>
#include <optional>

namespace rivlen {

/// A transport that several programs share: where they are, and whether they run.
enum class TransportUse {
    Alone,   ///< it is none of our business
    Follow,  ///< we go where it goes
    Lead     ///< and it goes where we are sent
};
inline constexpr int kTransportUses = 3;

/// A device's way to the shared transport. For the controlling thread; frames are the recording's.
class SharedTransport {
public:
    virtual ~SharedTransport() = default;
    virtual TransportUse use() const = 0;
    /// The frame at which it wants to begin or to stand, until reached() was told of it. It waits, up to a time of its
    /// own, until all who follow are there.
    virtual std::optional<int64_t> wanted() const = 0;
    /// What is to be played from there on is ready.
    virtual void reached(int64_t frame) = 0;
    /// The player went somewhere else by itself.
    virtual void left() = 0;
    virtual bool rolling() const = 0;
    virtual int64_t frame() const = 0;
    // What the others follow; the answer comes through wanted() and the device's blocks.
    virtual void roll() = 0;
    virtual void halt() = 0;
    virtual void locate(int64_t frame) = 0;
};

}  // namespace rivlen
