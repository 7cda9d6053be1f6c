#include <unistd.h>

#include <CLI/CLI.hpp>
#include <csignal>
#include <cstdio>
#include <string>

#include "cli/Commands.h"
#include "cli/ManyFiles.h"
#include "cli/Mistakes.h"
#include "core/base/Memory.h"
#include "core/base/Unexpected.h"

namespace {

rivlen::Progress progress;

void onSignal(int) { progress.cancel(); }

/// Leaves without running libtorch's static destructors: a cancelled tile may still be computing.
[[noreturn]] void leave(int code) {
    std::fflush(stdout);
    std::fflush(stderr);
    _exit(code);
}

}  // namespace

int main(int argc, char** argv) {
    rivlen::keepLargeBlocks();
    std::signal(SIGINT, onSignal);
    std::signal(SIGTERM, onSignal);
    std::signal(SIGXFSZ, SIG_IGN);  // a limit on file sizes is an error of the write, with its sentence
    CLI::App program("Rivlen: takes mixed recordings apart into dialogue, music and ambience.", "rivlen-cli");
    program.set_version_flag("--version", std::string("rivlen-cli ") + RIVLEN_VERSION);
    program.require_subcommand(1);
    try {
        rivlen::addInspect(program, progress);
        rivlen::addSplit(program, progress);
        rivlen::addTreat(program, progress);
        rivlen::addClean(program, progress);
        rivlen::addWeigh(program, progress);
        rivlen::addDispatch(program, progress);
        rivlen::addBatch(program, progress);
        rivlen::addNetworks(program);
        rivlen::addLearn(program, progress);
        rivlen::addOutside(program, progress);
        rivlen::addEffects(program, progress);
        rivlen::addHead(program, progress);
        rivlen::addScore(program);
        program.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        if (e.get_exit_code() == 0) leave(program.exit(e));  // help, version
        std::fprintf(stderr, "rivlen-cli: %s\n", rivlen::mistakeIn(program, e, argc, argv).c_str());
        leave(2);
    } catch (const rivlen::Error& e) {
        std::fprintf(stderr, "rivlen-cli: %s\n", e.what());
        leave(rivlen::exitCode(e.kind()));
    } catch (const std::exception& e) {
        const rivlen::Error said = rivlen::unexpected(e, "doing that");
        std::fprintf(stderr, "rivlen-cli: %s\n", said.what());
        leave(rivlen::exitCode(said.kind()));
    }
    leave(0);
}
