#include <unistd.h>

#include <CLI/CLI.hpp>
#include <csignal>
#include <cstdio>
#include <filesystem>
#include <string>

#include "cli/Commands.h"
#include "cli/ManyFiles.h"
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

/// What is wrong with a command, and where help is.
std::string sentenceOf(const CLI::App& program, const CLI::ParseError& e, int argc, char** argv) {
    const auto& commands = program.get_subcommands([](const CLI::App*) { return true; });
    std::string known;
    const CLI::App* given = nullptr;
    for (const auto* c : commands) {
        known += (known.empty() ? "" : ", ") + c->get_name();
        if (argc > 1 && c->get_name() == argv[1]) given = c;
    }
    if (argc < 2) return "No command is given: " + known + " are known; rivlen-cli --help tells more.";
    if (!given && argv[1][0] != '-') return "\"" + std::string(argv[1]) + "\" is no command: " + known + " are known.";
    std::error_code ignored;
    for (int i = 2; i < argc; ++i)
        if (argv[i][0] == '-' && std::filesystem::exists(argv[i], ignored))
            return "\"" + std::string(argv[i]) + "\" begins like an option: write ./" + argv[i] + " for the file.";
    std::string what = e.what();
    while (!what.empty() && (what.back() == '\n' || what.back() == '.')) what.pop_back();
    return what + ": see rivlen-cli " + (given ? given->get_name() + " " : "") + "--help.";
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
        if (e.get_exit_code() == 0) leave(program.exit(e));  // help, version
        std::fprintf(stderr, "rivlen-cli: %s\n", sentenceOf(program, e, argc, argv).c_str());
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
