#pragma once
#include <functional>
#include <string>
#include <vector>

#include "core/base/Error.h"

namespace rivlen {

/// Does something for each file, also after one that fails; that one's sentence goes to stderr at once. At the end
/// throws Error with the kind of the worst failure (the greatest exit code) and the names of what was not done. With
/// one file its own Error is passed on. Cancelling ends it at once.
void forEachFile(const std::vector<std::string>& files, const std::string& done,
                 const std::function<void(const std::string&)>& work);

/// Of the command line's contract.
int exitCode(Error::Kind kind);

}  // namespace rivlen
