#include "core/exchange/RoundTrip.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <thread>

#include "core/base/ChildProcess.h"
#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/exchange/FileNames.h"
#include "core/media/AudioWriter.h"
#include "core/media/OutputPlace.h"

namespace rivlen {

namespace fs = std::filesystem;

namespace {

constexpr auto kStill = std::chrono::seconds(1);  // a file that has not grown for so long is complete
constexpr auto kLook = std::chrono::milliseconds(50);

/// For a POSIX shell.
std::string quoted(const std::string& text) {
    std::string out = "'";
    for (const char c : text) out += c == '\'' ? std::string("'\\''") : std::string(1, c);
    return out + "'";
}

bool replaceAll(std::string& text, const std::string& what, const std::string& by) {
    bool any = false;
    for (size_t at = 0; (at = text.find(what, at)) != std::string::npos; at += by.size(), any = true)
        text.replace(at, what.size(), by);
    return any;
}

std::string lastLine(std::string text) {
    while (!text.empty() && std::isspace(static_cast<unsigned char>(text.back()))) text.pop_back();
    const size_t at = text.rfind('\n');
    text = at == std::string::npos ? text : text.substr(at + 1);
    return text.size() > 200 ? text.substr(0, 200) : text;
}

}  // namespace

std::string sentName(const std::string& reel, const std::string& what, double from, double to) {
    return fileName(reel) + " " + what + formatted(" %.2f-%.2f", from, to);
}

SentSound sendSound(SampleSource& sound, const std::string& name, double from, double to, double handles,
                    const fs::path& folder, std::optional<double> clockStart, const Progress& progress) {
    const int rate = sound.sampleRate();
    const int64_t first = std::max<int64_t>(0, std::llround((from - handles) * rate)),
                  end = std::min(sound.frames(), int64_t(std::llround((to + handles) * rate)));
    if (to <= from || end <= first)
        throw Error(Error::Kind::Usage, "There is nothing to send between " + formatted("%.2f", from) + " and " +
                                            formatted("%.2f", to) + " s: choose a span within the reel.");
    makeFolder(folder);
    SentSound sent{folder / (name + ".wav"), from, to, double(first) / rate};
    AudioNotes notes;
    notes.description = name;
    notes.frames = end - first;
    if (clockStart) notes.timeReference = std::max<int64_t>(0, std::llround(*clockStart * rate) + first);
    AudioWriter writer(sent.file, rate, sound.channels(), AudioFormat::parse("wav", "32f"), true, &notes);
    for (int64_t at = first; at < end; at += rate) {
        progress.throwIfCancelled();
        progress.report(double(at - first) / double(end - first));
        writer.write(sound.read(at, std::min<int64_t>(rate, end - at)));
    }
    writer.commit();
    return sent;
}

AnswerWatch::AnswerWatch(fs::path folder, const SentSound& sent) : m_folder(std::move(folder)), m_sent(sent.file) {
    m_before = files();
}

std::map<fs::path, std::pair<uintmax_t, fs::file_time_type>> AnswerWatch::files() const {
    std::map<fs::path, std::pair<uintmax_t, fs::file_time_type>> all;
    const std::string begins = m_sent.stem().string();
    std::error_code ignored;
    for (const auto& entry : fs::directory_iterator(m_folder, ignored)) {
        if (!entry.is_regular_file(ignored) || entry.path().filename().string().rfind(begins, 0) != 0) continue;
        if (fs::equivalent(entry.path(), m_sent, ignored)) continue;
        const auto size = entry.file_size(ignored);
        const auto time = entry.last_write_time(ignored);
        if (size > 0) all[entry.path()] = {size, time};
    }
    return all;
}

std::optional<fs::path> AnswerWatch::look() {
    const auto now = files();
    const auto clock = fs::file_time_type::clock::now();
    if (now != m_last) {
        m_last = now;
        m_still = clock;
        return {};
    }
    if (clock - m_still < kStill) return {};
    std::optional<fs::path> newest;
    for (const auto& [file, state] : now) {
        const auto before = m_before.find(file);
        if (before != m_before.end() && before->second == state) continue;
        if (!newest || state.second > now.at(*newest).second) newest = file;
    }
    return newest;
}

fs::path runCleaner(const std::string& command, const SentSound& sent, const fs::path& answer,
                    const Progress& progress) {
    std::string line = command;
    replaceAll(line, "{in}", quoted(sent.file.string()));
    replaceAll(line, "{out}", quoted(answer.string()));
    line = "RIVLEN_IN=" + quoted(sent.file.string()) + " RIVLEN_OUT=" + quoted(answer.string()) +
           "; export RIVLEN_IN RIVLEN_OUT; " + line;
    std::error_code ignored;
    fs::remove(answer, ignored);
    const fs::path said = answer.string() + ".log";
    ChildProcess shell({"/bin/sh", "-c", line}, said.string() + ".out", said, false, ChildProcess::Group::Own);
    while (shell.running() && !progress.cancelled()) std::this_thread::sleep_for(kLook);
    const std::string last = lastLine(textOf(said));
    fs::remove(said, ignored);
    fs::remove(said.string() + ".out", ignored);
    progress.throwIfCancelled();  // the shell's end, with all it started, is its owner's
    if (shell.code() != 0)
        throw Error(Error::Kind::Other, "The command for the cleaner ended with code " + std::to_string(shell.code()) +
                                            (last.empty() ? "" : " (it said: " + last + ")") +
                                            ": try it in a terminal, or mend it.");
    if (!fs::is_regular_file(answer, ignored))
        throw Error(Error::Kind::Other, "The command for the cleaner wrote no \"" + answer.string() +
                                            "\": it must write its answer to {out}, or to $RIVLEN_OUT.");
    return answer;
}

}  // namespace rivlen
