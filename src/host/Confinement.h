#pragma once
#include <string>

namespace rivlen {

/// Takes from this process, for good, everything but computing and the files that it has open: no file can be opened,
/// made, renamed or removed, no connection made, no program started, no other process reached. Where the kernel has no
/// system call filter (seccomp), no further file can be opened at least. Returns what did it, in words for the user.
std::string confine();

}  // namespace rivlen
