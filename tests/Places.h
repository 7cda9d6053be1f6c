#pragma once

namespace rivlen::test {

// Where things lie on this machine. Apart in one file, so that a compiler's cache can use what was compiled elsewhere.

extern const char* const kSourceFolder;
extern const char* const kEffectsFolder;     ///< of the tests' own effects
extern const char* const kFileFaults;        ///< library to preload: calls to the file system that fail
extern const char* const kAllocationFaults;  ///< library to preload: requests for memory that fail

}  // namespace rivlen::test
