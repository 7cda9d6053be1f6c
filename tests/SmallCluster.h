#pragma once
#include <netinet/in.h>
#include <pwd.h>
#include <signal.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include <cstdlib>
#include <fstream>
#include <set>
#include <sstream>
#include <string>
#include <vector>

#include "Support.h"

namespace rivlen::test {

/// A Slurm cluster of two nodes on this machine, without authentication, gone with the test.
class SmallCluster {
public:
    explicit SmallCluster(const fs::path& folder) : m_folder(folder) {
        const std::string at = folder.string();
        char host[256] = {};
        gethostname(host, sizeof host - 1);
        for (const char* part : {"state", "spool-n1", "spool-n2"}) fs::create_directories(folder / part);
        const std::string user = getpwuid(getuid())->pw_name;
        const auto ports = freePorts(3);
        std::ofstream(folder / "slurm.conf")
            << "ClusterName=rivlen\nSlurmctldHost=" << host << "(127.0.0.1)\nSlurmctldPort=" << ports[0]
            << "\nAuthType=auth/none\nCredType=cred/none\nSlurmUser=" << user << "\nSlurmdUser=" << user
            << "\nStateSaveLocation=" << at << "/state\nSlurmdSpoolDir=" << at << "/spool-%n\nSlurmctldPidFile=" << at
            << "/ctld.pid\nSlurmdPidFile=" << at << "/%n.pid\nSlurmctldLogFile=" << at
            << "/ctld.log\nSlurmdLogFile=" << at
            << "/%n.log\nProctrackType=proctrack/linuxproc\nTaskPlugin=task/none\nSelectType=select/cons_tres\n"
            << "SelectTypeParameters=CR_Core\nSwitchType=switch/none\nMpiDefault=none\nReturnToService=0\n"
            << "SlurmdTimeout=4\nKillWait=2\nMinJobAge=300\nSlurmdParameters=config_overrides\n"
            << "SchedulerParameters=sched_interval=2\nNodeName=n1 NodeHostname=" << host
            << " NodeAddr=127.0.0.1 Port=" << ports[1] << " CPUs=1\nNodeName=n2 NodeHostname=" << host
            << " NodeAddr=127.0.0.1 Port=" << ports[2]
            << " CPUs=1\nPartitionName=post Nodes=n1,n2 Default=YES MaxTime=INFINITE State=UP\n";
        setenv("SLURM_CONF", (folder / "slurm.conf").c_str(), 1);
        daemon("/usr/sbin/slurmctld -D -c");
        m_nodes[0] = daemon("/usr/sbin/slurmd -D -N n1");
        m_nodes[1] = daemon("/usr/sbin/slurmd -D -N n2");
    }
    ~SmallCluster() {
        for (const char* node : {"n1", "n2"}) endAllOf(node);
        for (const pid_t p : m_daemons) kill(p, SIGKILL), waitpid(p, nullptr, 0);
        unsetenv("SLURM_CONF");
    }
    bool ready() const {
        return waitFor([] { return run("sinfo --noheader --states=idle --format=%D").out == "2\n"; });
    }
    std::string logs() const {
        std::stringstream all;
        for (const char* log : {"ctld.log", "n1.log", "n2.log"}) all << std::ifstream(m_folder / log).rdbuf();
        return all.str();
    }
    /// As when its power goes: its daemon, what watches its tasks, and they themselves.
    void loseSecondNode() {
        kill(m_nodes[1], SIGKILL);
        endAllOf("n2");
    }
    /// What was lost would wait two minutes before it begins again.
    void beginAgainAtOnce() const {
        waitFor([] { return run("sinfo --noheader --nodes=n2 --format=%t").out.rfind("down", 0) == 0; });
        std::istringstream waiting(run("squeue --noheader --array --states=PENDING --format=%i").out);
        for (std::string id; waiting >> id;) run("scontrol update JobId=" + id + " StartTime=now");
    }

private:
    static std::vector<int> freePorts(int count) {
        std::vector<int> sockets, ports;
        for (int i = 0; i < count; ++i) {
            sockaddr_in address{};
            address.sin_family = AF_INET;
            address.sin_addr.s_addr = htonl(INADDR_LOOPBACK);
            socklen_t size = sizeof address;
            sockets.push_back(socket(AF_INET, SOCK_STREAM, 0));
            bind(sockets.back(), reinterpret_cast<sockaddr*>(&address), size);
            getsockname(sockets.back(), reinterpret_cast<sockaddr*>(&address), &size);
            ports.push_back(ntohs(address.sin_port));
        }
        for (const int s : sockets) close(s);
        return ports;
    }
    pid_t daemon(const std::string& command) {
        const pid_t child = fork();
        if (child == 0) {
            execl("/bin/sh", "sh", "-c", ("exec " + command + " >/dev/null 2>&1").c_str(), nullptr);
            _exit(127);
        }
        m_daemons.push_back(child);
        return child;
    }
    /// Tasks know their node by a variable; what watches them is their parent.
    static void endAllOf(const std::string& node) {
        std::set<pid_t> tasks, watchers;
        for (const auto& entry : entries("/proc")) {
            const pid_t pid = pid_t(std::atoi(entry.filename().c_str()));
            if (pid <= 0) continue;
            std::stringstream variables;
            variables << std::ifstream(entry / "environ").rdbuf();
            if (variables.str().find("SLURMD_NODENAME=" + node + '\0') == std::string::npos) continue;
            tasks.insert(pid);
            std::ifstream status(entry / "status");
            for (std::string line; std::getline(status, line);)
                if (line.rfind("PPid:", 0) == 0) watchers.insert(pid_t(std::atoi(line.c_str() + 5)));
        }
        for (const pid_t p : watchers) {
            std::string name;
            std::getline(std::ifstream("/proc/" + std::to_string(p) + "/comm"), name);
            if (name.rfind("slurmstepd", 0) == 0) kill(p, SIGKILL);
        }
        for (const pid_t p : tasks) kill(p, SIGKILL);
    }

    fs::path m_folder;
    std::vector<pid_t> m_daemons;
    pid_t m_nodes[2] = {};
};

}  // namespace rivlen::test
