// Tries one network and prints what it found as JSON: run by checkNetwork() with its time and memory bounded.
#include <unistd.h>

#include <cstdio>

#include "core/base/Error.h"
#include "core/separation/NetworkCheck.h"

int main(int argc, char** argv) {
    rivlen::NetworkFacts facts;
    try {
        if (argc != 2) throw rivlen::Error(rivlen::Error::Kind::Usage, "Usage: rivlen-network-check CARD.json");
        facts = rivlen::tryNetwork(rivlen::NetworkCard::load(argv[1]));
    } catch (const std::exception& e) {
        facts.reason = e.what();
    }
    std::printf("%s\n", nlohmann::json{{"passed", facts.passed},
                                       {"reason", facts.reason},
                                       {"sum_error_db", facts.sumErrorDb},
                                       {"level_error_db", facts.levelErrorDb},
                                       {"real_time_factor", facts.realTimeFactor}}
                            .dump(-1, ' ', false, nlohmann::json::error_handler_t::replace)
                            .c_str());
    std::fflush(stdout);
    _exit(0);  // libtorch's destructors have nothing to save
}
