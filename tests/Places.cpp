#include "Places.h"

namespace rivlen::test {

const char* const kSourceFolder = RIVLEN_SOURCE_DIR;
const char* const kEffectsFolder = RIVLEN_TEST_EFFECTS;
const char* const kFileFaults = RIVLEN_FILE_FAULTS;
const char* const kAllocationFaults = RIVLEN_ALLOCATION_FAULTS;

}  // namespace rivlen::test
