#pragma once
#include <atomic>
#include <memory>
#include <utility>

namespace rivlen {

/// A value that its copies share until one of them is changed, so that a history of a large document stays small.
/// Reading is safe from any number of threads that each hold a copy; edit() concerns the copy it is called on alone.
template <typename T>
class Shared {
public:
    Shared() : m(std::make_shared<T>()) {}
    Shared(T value) : m(std::make_shared<T>(std::move(value))) {}
    const T& operator*() const { return *m; }
    const T* operator->() const { return m.get(); }
    /// The value for changing: a copy of its own when others share it.
    T& edit() {
        if (m.use_count() > 1) m = std::make_shared<T>(*m);
        std::atomic_thread_fence(
            std::memory_order_acquire);  // what another thread read before it let go lies before our writing
        return *m;
    }
    bool operator==(const Shared& other) const { return m == other.m || *m == *other.m; }

private:
    std::shared_ptr<T> m;
};

}  // namespace rivlen
