// A library to be preloaded: the n-th request for a large block of memory throws, what it throws is chosen. So every
// kind of exception comes from every depth of a command.
//   RIVLEN_FAULT_ALLOCATION   NUMBER:KIND:BYTES; of blocks of BYTES at least; kinds: memory file json range library
//   RIVLEN_FAULT_LOG          a file that is made when it has happened
#include <dlfcn.h>
#include <fcntl.h>
#include <unistd.h>

#include <atomic>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <filesystem>
#include <new>
#include <nlohmann/json.hpp>
#include <stdexcept>

namespace {

struct Plan {
    int number = 0;
    char kind[16] = "";
    size_t bytes = 0;
    Plan() {
        const char* text = std::getenv("RIVLEN_FAULT_ALLOCATION");
        if (!text || std::sscanf(text, "%d:%15[^:]:%zu", &number, kind, &bytes) != 3) number = 0;
    }
};

[[noreturn]] void fail(const char* kind) {
    if (const char* log = std::getenv("RIVLEN_FAULT_LOG")) close(open(log, O_WRONLY | O_CREAT, 0600));
    if (!std::strcmp(kind, "file"))
        throw std::filesystem::filesystem_error("cannot rename", "one", "two",
                                                std::make_error_code(std::errc::no_space_on_device));
    if (!std::strcmp(kind, "json")) nlohmann::json damaged = nlohmann::json::parse("{\"a\": ");
    if (!std::strcmp(kind, "range")) (void)std::string("x").at(7);
    if (!std::strcmp(kind, "library")) throw std::runtime_error("c10::Error in aten::conv2d\nat line 7");
    throw std::bad_alloc();
}

std::atomic<int> loading{0};
std::atomic<bool> begun{false};

using Main = int (*)(int, char**, char**);
Main programMain = nullptr;

int beginCounting(int argc, char** argv, char** environment) {
    begun = true;
    return programMain(argc, argv, environment);
}

}  // namespace

/// What throws before main() ends any program, and some libraries (one of them measures the clock as it is loaded) ask
/// for more memory there on a busy machine than on an idle one: counting begins with main().
extern "C" int __libc_start_main(Main main, int argc, char** argv, Main init, void (*fini)(), void (*linker)(),
                                 void* stack) {
    using Start = int (*)(Main, int, char**, Main, void (*)(), void (*)(), void*);
    static const auto real = reinterpret_cast<Start>(dlsym(RTLD_NEXT, "__libc_start_main"));
    programMain = main;
    return real(beginCounting, argc, argv, init, fini, linker, stack);
}

/// What a library throws while it is loaded ends any program: that is left out.
extern "C" void* dlopen(const char* file, int mode) {
    static const auto real = reinterpret_cast<void* (*)(const char*, int)>(dlsym(RTLD_NEXT, "dlopen"));
    ++loading;
    void* library = real(file, mode);
    --loading;
    return library;
}

void* operator new(size_t bytes) {
    static const Plan plan;
    static std::atomic<int> count{0};
    if (plan.number > 0 && bytes >= plan.bytes && begun && loading == 0 && ++count == plan.number) fail(plan.kind);
    void* block = std::malloc(bytes ? bytes : 1);
    if (!block) throw std::bad_alloc();
    return block;
}
