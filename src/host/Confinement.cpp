#include "Confinement.h"

#include <errno.h>
#include <seccomp.h>
#include <sys/prctl.h>
#include <sys/resource.h>
#include <unistd.h>

#include <memory>

namespace rivlen {

namespace {

/// What computing in several threads and talking over an open socket needs; nothing here takes a path or an address.
constexpr int kAllowed[] = {SCMP_SYS(read),
                            SCMP_SYS(write),
                            SCMP_SYS(readv),
                            SCMP_SYS(writev),
                            SCMP_SYS(recvfrom),
                            SCMP_SYS(sendto),
                            SCMP_SYS(poll),
                            SCMP_SYS(ppoll),
                            SCMP_SYS(close),
                            SCMP_SYS(fstat),
                            SCMP_SYS(lseek),
                            SCMP_SYS(mmap),
                            SCMP_SYS(munmap),
                            SCMP_SYS(mremap),
                            SCMP_SYS(mprotect),
                            SCMP_SYS(madvise),
                            SCMP_SYS(brk),
                            SCMP_SYS(futex),
                            SCMP_SYS(clone),
                            SCMP_SYS(clone3),
                            SCMP_SYS(set_robust_list),
                            SCMP_SYS(rseq),
                            SCMP_SYS(set_tid_address),
                            SCMP_SYS(sched_yield),
                            SCMP_SYS(sched_getaffinity),
                            SCMP_SYS(getcpu),
                            SCMP_SYS(getpid),
                            SCMP_SYS(gettid),
                            SCMP_SYS(rt_sigaction),
                            SCMP_SYS(rt_sigprocmask),
                            SCMP_SYS(rt_sigreturn),
                            SCMP_SYS(sigaltstack),
                            SCMP_SYS(clock_gettime),
                            SCMP_SYS(clock_getres),
                            SCMP_SYS(clock_nanosleep),
                            SCMP_SYS(nanosleep),
                            SCMP_SYS(gettimeofday),
                            SCMP_SYS(getrandom),
                            SCMP_SYS(getrusage),
                            SCMP_SYS(sysinfo),
                            SCMP_SYS(restart_syscall),
                            SCMP_SYS(exit),
                            SCMP_SYS(exit_group)};

bool filtered() {
    // Refused calls fail instead of ending the process: libraries have a way on when a file cannot be read.
    const std::unique_ptr<void, void (*)(void*)> filter(seccomp_init(SCMP_ACT_ERRNO(EPERM)), seccomp_release);
    if (!filter) return false;
    // Threads that computing has begun already are filtered as well, or none.
    if (seccomp_attr_set(filter.get(), SCMP_FLTATR_CTL_TSYNC, 1) != 0) return false;
    for (const int call : kAllowed)
        if (seccomp_rule_add(filter.get(), SCMP_ACT_ALLOW, call, 0) != 0) return false;
    // abort() signals itself, and nobody else.
    if (seccomp_rule_add(filter.get(), SCMP_ACT_ALLOW, SCMP_SYS(tgkill), 1,
                         SCMP_A0(SCMP_CMP_EQ, scmp_datum_t(getpid()))) != 0)
        return false;
    return seccomp_load(filter.get()) == 0;
}

}  // namespace

std::string confine() {
    prctl(PR_SET_NO_NEW_PRIVS, 1, 0, 0, 0);
    prctl(PR_SET_DUMPABLE, 0, 0, 0, 0);
    const rlimit those{4, 4};  // the standard three and the socket: fewer would forbid poll()
    setrlimit(RLIMIT_NOFILE, &those);
    return filtered() ? "a filter of system calls" : "a limit of open files";
}

}  // namespace rivlen
