#include "cli/ManyFiles.h"

#include <cstdio>
#include <optional>

#include "core/base/Unexpected.h"

namespace rivlen {

int exitCode(Error::Kind kind) {
    switch (kind) {
        case Error::Kind::Usage: return 2;
        case Error::Kind::InputUnreadable: return 3;
        case Error::Kind::OutputUnwritable: return 4;
        case Error::Kind::Cancelled: return 5;
        default: return 1;
    }
}

void forEachFile(const std::vector<std::string>& files, const std::string& done,
                 const std::function<void(const std::string&)>& work) {
    std::optional<Error> worst;
    std::string names;
    const auto failed = [&](const Error& e, const std::string& file) {
        if (e.kind() == Error::Kind::Cancelled || files.size() == 1) throw e;
        std::fprintf(stderr, "rivlen-cli: %s\n", e.what());
        if (!worst || exitCode(e.kind()) > exitCode(worst->kind())) worst = e;
        names += (names.empty() ? "\"" : ", \"") + file + "\"";
    };
    for (const auto& file : files) {
        try {
            work(file);
        } catch (const Error& e) {
            failed(e, file);
        } catch (const std::exception& e) {
            failed(unexpected(e, "working on \"" + file + "\""), file);
        }
        std::fflush(stdout);
    }
    if (worst)
        throw Error(worst->kind(),
                    "Not " + done + ": " + names + "; what was wrong is said above. The others are done.");
}

}  // namespace rivlen
