#pragma once

namespace rivlen {

/// Call first in a program that separates. Networks allocate and free tens of megabytes a tile; by default glibc
/// maps and unmaps each such block, and filling fresh pages took a quarter of the time of a split (measured,
/// docs/performance.md). This keeps the memory in the program between tiles.
void keepLargeBlocks();

/// Gives back to the system what long work has left: call when it ends. Takes some milliseconds.
void releaseMemory();

}  // namespace rivlen
