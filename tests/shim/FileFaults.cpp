// A library to be preloaded: the n-th call of one kind that concerns a file in a folder fails, as disks and networks
// do.
//   RIVLEN_FAULT_FOLDER   only files in this folder, and below it
//   RIVLEN_FAULT          CALL:NUMBER:HOW, as write:3:ENOSPC; calls: read write fsync rename link open;
//                         how: ENOSPC EIO EINTR EACCES, or short (half of the bytes)
//   RIVLEN_FAULT_LOG      a file that gets a line when the fault has happened
#include <dlfcn.h>
#include <fcntl.h>
#include <sys/uio.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <cstdarg>
#include <cstdio>
#include <cstdlib>
#include <cstring>

namespace {

struct Plan {
    char call[16] = "", how[16] = "";
    int number = 0;
    const char* folder = nullptr;
    Plan() {
        folder = std::getenv("RIVLEN_FAULT_FOLDER");
        const char* text = std::getenv("RIVLEN_FAULT");
        if (!folder || !text || std::sscanf(text, "%15[^:]:%d:%15s", call, &number, how) != 3) number = 0;
    }
};

const Plan& plan() {
    static const Plan p;
    return p;
}

template <typename F>
F real(const char* name) {
    return reinterpret_cast<F>(dlsym(RTLD_NEXT, name));
}

bool inFolder(const char* path) {
    if (!path || !plan().folder) return false;
    char whole[8192] = "";
    if (path[0] != '/' && getcwd(whole, 4096)) std::strncat(whole, "/", 2);
    std::strncat(whole, path, 4000);
    return std::strncmp(whole, plan().folder, std::strlen(plan().folder)) == 0;
}

bool inFolder(int fd) {
    char link[64], path[4096];
    std::snprintf(link, sizeof link, "/proc/self/fd/%d", fd);
    const ssize_t length = readlink(link, path, sizeof path - 1);
    if (length <= 0) return false;
    path[length] = 0;
    return inFolder(path);
}

/// True when this call is the one that fails; then errno is set.
template <typename Where>
bool fails(const char* call, Where where) {
    static std::atomic<int> count{0};
    if (plan().number == 0 || std::strcmp(call, plan().call) != 0 || !inFolder(where)) return false;
    if (++count != plan().number) return false;
    if (const char* log = std::getenv("RIVLEN_FAULT_LOG")) {
        const int fd = real<int (*)(const char*, int, ...)>("open")(log, O_WRONLY | O_CREAT | O_APPEND, 0600);
        (void)real<ssize_t (*)(int, const void*, size_t)>("write")(fd, "happened\n", 9);
        close(fd);
    }
    const char* how = plan().how;
    errno = !std::strcmp(how, "ENOSPC")  ? ENOSPC
            : !std::strcmp(how, "EIO")   ? EIO
            : !std::strcmp(how, "EINTR") ? EINTR
                                         : EACCES;
    return true;
}

bool half() { return std::strcmp(plan().how, "short") == 0; }

/// Only files that are made anew, or could be, are writers'.
int opened(const char* call, const char* path, int flags, mode_t mode) {
    if (flags & O_CREAT && fails("open", path)) return -1;
    return real<int (*)(const char*, int, ...)>(call)(path, flags, mode);
}

}  // namespace

extern "C" {

ssize_t write(int fd, const void* bytes, size_t count) {
    const auto call = real<ssize_t (*)(int, const void*, size_t)>("write");
    if (fails("write", fd)) return half() ? call(fd, bytes, (count + 1) / 2) : -1;
    return call(fd, bytes, count);
}

ssize_t writev(int fd, const iovec* pieces, int count) {
    const auto call = real<ssize_t (*)(int, const iovec*, int)>("writev");
    if (fails("write", fd)) return half() ? write(fd, pieces[0].iov_base, pieces[0].iov_len) : -1;
    return call(fd, pieces, count);
}

ssize_t read(int fd, void* bytes, size_t count) {
    const auto call = real<ssize_t (*)(int, void*, size_t)>("read");
    if (fails("read", fd)) return half() ? call(fd, bytes, (count + 1) / 2) : -1;
    return call(fd, bytes, count);
}

int fsync(int fd) { return fails("fsync", fd) ? -1 : real<int (*)(int)>("fsync")(fd); }

int rename(const char* from, const char* to) {
    return fails("rename", to) ? -1 : real<int (*)(const char*, const char*)>("rename")(from, to);
}

int link(const char* from, const char* to) {
    return fails("link", to) ? -1 : real<int (*)(const char*, const char*)>("link")(from, to);
}

int open(const char* path, int flags, ...) {
    va_list rest;
    va_start(rest, flags);
    const mode_t mode = flags & O_CREAT ? va_arg(rest, mode_t) : 0;
    va_end(rest);
    return opened("open", path, flags, mode);
}

int open64(const char* path, int flags, ...) {
    va_list rest;
    va_start(rest, flags);
    const mode_t mode = flags & O_CREAT ? va_arg(rest, mode_t) : 0;
    va_end(rest);
    return opened("open64", path, flags, mode);
}
}
