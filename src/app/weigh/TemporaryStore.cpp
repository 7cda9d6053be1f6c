#include "app/weigh/TemporaryStore.h"

#include <unistd.h>

namespace rivlen {

std::shared_ptr<StemStore> temporaryStore(const StemStore::Shape& shape, int64_t from,
                                          const std::function<void(StemStore&)>& fill) {
    static std::atomic<int> number{0};
    const auto folder = std::filesystem::temp_directory_path() /
                        ("rivlen-trial-" + std::to_string(getpid()) + "-" + std::to_string(++number));
    auto made = StemStore::create(folder, shape);
    StemStore& store = *made;
    std::shared_ptr<StemStore> kept(&store, [made = std::move(made), folder](StemStore*) mutable {
        made.reset();
        std::error_code ignored;
        std::filesystem::remove_all(folder, ignored);
    });
    store.skip(from);
    fill(store);
    store.skip(shape.frames - store.available());
    store.finish();
    return kept;
}

}  // namespace rivlen
