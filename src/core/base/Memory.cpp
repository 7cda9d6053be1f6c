#include "core/base/Memory.h"

#include <malloc.h>

namespace rivlen {

void keepLargeBlocks() {
    mallopt(M_ARENA_MAX, 1);  // tiles run on threads of their own; other arenas could not hold blocks of this size
    mallopt(M_MMAP_MAX, 0);
    mallopt(M_TRIM_THRESHOLD, 0x7fffffff);
    mallopt(M_TOP_PAD, 64 << 20);
}

void releaseMemory() { malloc_trim(64 << 20); }

}  // namespace rivlen
