#include <unistd.h>

#include <CLI/CLI.hpp>
#include <csignal>
#include <cstdio>

#include "cli/Commands.h"
#include "core/base/Memory.h"

namespace {

rivlen::Progress progress;

void onSignal(int) { progress.cancel(); }

/// Leaves without running libtorch's static destructors: a cancelled tile may still be computing.
[[noreturn]] void leave(int code) {
    std::fflush(stdout);
    std::fflush(stderr);
    _exit(code);
}

int exitCode(rivlen::Error::Kind kind) {
    switch (kind) {
        case rivlen::Error::Kind::Usage: return 2;
        case rivlen::Error::Kind::InputUnreadable: return 3;
        case rivlen::Error::Kind::OutputUnwritable: return 4;
        case rivlen::Error::Kind::Cancelled: return 5;
        default: return 1;
    }
}

}  // namespace

int main(int argc, char** argv) {
    rivlen::keepLargeBlocks();
    std::signal(SIGINT, onSignal);
    std::signal(SIGTERM, onSignal);
    CLI::App program("Rivlen: takes mixed recordings apart into dialogue, music and ambience.", "rivlen-cli");
    program.set_version_flag("--version", std::string("rivlen-cli ") + RIVLEN_VERSION);
    program.require_subcommand(1);
    rivlen::addInspect(program, progress);
    rivlen::addSplit(program, progress);
    rivlen::addTreat(program, progress);
    rivlen::addWeigh(program, progress);
    rivlen::addDispatch(program, progress);
    rivlen::addNetworks(program);
    rivlen::addScore(program);
    try {
        program.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        leave(program.exit(e) == 0 ? 0 : 2);
    } catch (const rivlen::Error& e) {
        std::fprintf(stderr, "rivlen-cli: %s\n", e.what());
        leave(exitCode(e.kind()));
    } catch (const std::exception& e) {
        std::fprintf(stderr, "rivlen-cli: something unexpected happened: %s\n", e.what());
        leave(1);
    }
    leave(0);
}
