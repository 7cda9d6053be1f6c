#include <gtest/gtest.h>

#include <fstream>
#include <map>
#include <thread>

#include "Support.h"
#include "core/delivery/DeliveryEffort.h"
#include "core/media/FileSum.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/ClipEdits.h"
#include "core/session/DeliveryQueue.h"

using namespace rivlen;
using namespace rivlen::test;
using State = DeliveryTask::State;

namespace {

/// A session of reels that need no split: their rebuild is of the source alone.
struct Queue : testing::Test {
    TempFolder folder;
    Session session;
    std::vector<Deliverable> wanted;

    void SetUp() override {
        setenv("XDG_CACHE_HOME", (folder / "cache").c_str(), 1);
        session.name = "The Night Ferry";
        for (int n = 1; n <= 3; ++n) {
            const fs::path file = folder / text("reel %d.wav", n);
            AudioBuffer x = sine(200 * n, 0.2, 48000, 48000 * n, 2);
            for (size_t i = 0; i < x.samples().size(); ++i)
                x.samples()[i] += 0.01f * noise(1, 1, 1, unsigned(i % 97)).samples()[0];
            writeWav(file, x, 48000);
            Reel reel = makeReel(session, file);
            Rebuild r = plainRebuild(n, false);
            r.lanes.resize(1);
            r.lanes[0].edit().clips[0].material = "source";
            reel.rebuild = r;
            session.reels.push_back(reel);
        }
        for (const char* name : {"first", "second"}) {
            Deliverable d;
            d.name = name;
            wanted.push_back(d);
        }
    }
    fs::path out() { return folder / "out"; }
    void addAll(DeliveryQueue& queue) {
        for (const Reel& r : session.reels) queue.add(session, r, wanted, out(), false);
    }
    size_t hidden() {
        size_t count = 0;
        for (const fs::path& file : entries(out())) count += file.filename().string()[0] == '.';
        return count;
    }
};

}  // namespace

TEST_F(Queue, WorksByPriorityAndReportsAtTheEnd) {
    DeliveryQueue queue(folder / "queue");
    addAll(queue);
    const auto ids = queue.tasks();
    queue.setPriority(ids[2].id, DeliveryTask::Priority::First);
    queue.setPriority(ids[0].id, DeliveryTask::Priority::Later);
    std::vector<std::string> order;
    double last = 0;
    Progress progress;
    progress.onProgress = [&](double f) {
        EXPECT_GE(f, last - 1e-9) << "the whole never goes back";
        last = f;
    };
    queue.onChange = [&] {
        for (const auto& t : queue.tasks())
            if (t.state == State::Running && (order.empty() || order.back() != t.reel().name))
                order.push_back(t.reel().name);
    };
    queue.run(progress);
    EXPECT_EQ(order, (std::vector<std::string>{"reel 3", "reel 2", "reel 1"}));
    EXPECT_EQ(last, 1);
    for (const auto& t : queue.tasks()) {
        EXPECT_EQ(t.state, State::Done) << t.error;
        EXPECT_EQ(t.reports.size(), 2u);
    }
    EXPECT_EQ(hidden(), 0u);
    for (const char* end : {"html", "pdf", "json", "csv", "sha256", "md5"})
        EXPECT_TRUE(fs::exists(out() / (std::string("delivery.") + end))) << end;
    EXPECT_EQ(run("cd '" + out().string() +
                  "' && md5sum -c --quiet delivery.md5 && sha256sum -c --quiet delivery.sha256")
                  .code,
              0);
    // The same names once more are refused before anything is made.
    EXPECT_THROW(queue.add(session, session.reels[0], wanted, out(), false), Error);
}

// Time left is made of the progress: what is there already, or needs no split, must not count as work.
TEST_F(Queue, ProgressIsTheShareOfTheWorkThatIsLeft) {
    std::map<std::string, double> begun;
    const auto watched = [&](DeliveryQueue& queue) {
        begun.clear();
        Progress progress;
        progress.onProgress = [&](double f) { begun.emplace(queue.at(), f); };
        queue.run(progress);
    };
    const Reel& reel = session.reels[2];
    {
        DeliveryQueue queue(folder / "queue");
        queue.add(session, reel, wanted, out(), false);
        watched(queue);
    }
    EXPECT_LT(begun.at("reel 3, first"), 0.1);
    EXPECT_NEAR(begun.at("reel 3, second"), 0.5, 0.1);
    fs::remove(out() / "reel 3.second.wav");
    DeliveryQueue queue(folder / "queue");
    ASSERT_EQ(queue.tasks().size(), 1u);
    queue.retry(queue.tasks()[0].id);
    watched(queue);
    EXPECT_EQ(begun.count("reel 3, first"), 0u) << "it was there";
    EXPECT_LT(begun.at("reel 3, second"), 0.2) << "no more than its first of three seconds";
    EXPECT_TRUE(fs::exists(out() / "reel 3.second.wav"));
    ReelRecipe recipe{"x", reel.source, "", "fine", {}, {}, {}, false};
    EXPECT_EQ(effortToPrepare(recipe, 600), 0);
    recipe.needsStems = true;
    EXPECT_GT(effortToPrepare(recipe, 600), effortToMake(wanted[0], 600)) << "a split is slower than a delivery";
    Deliverable part;
    part.span = {10, 70};
    EXPECT_NEAR(effortToMake(part, 600), effortToMake(wanted[0], 60), 1e-9);
}

TEST_F(Queue, WhatFailsDoesNotStopTheOthersAndCanBeTriedAgain) {
    DeliveryQueue queue(folder / "queue");
    addAll(queue);
    fs::rename(session.reels[0].source, folder / "away.wav");
    queue.run({});
    auto tasks = queue.tasks();
    EXPECT_EQ(tasks[0].state, State::Failed);
    EXPECT_NE(tasks[0].error.find("reel 1.wav"), std::string::npos) << tasks[0].error;
    EXPECT_EQ(tasks[0].errorKind, Error::Kind::InputUnreadable);
    EXPECT_EQ(tasks[1].state, State::Done);
    EXPECT_EQ(tasks[2].state, State::Done);
    fs::rename(folder / "away.wav", session.reels[0].source);
    queue.retry(tasks[0].id);
    queue.run({});
    EXPECT_EQ(queue.tasks()[0].state, State::Done);
    EXPECT_TRUE(fs::exists(out() / "reel 1.second.wav"));
    queue.clearEnded();
    EXPECT_TRUE(queue.tasks().empty());
}

TEST_F(Queue, PausesGoesOnAndOneAtWorkCanBeTakenOut) {
    DeliveryQueue queue(folder / "queue");
    addAll(queue);
    queue.setPaused(true);
    std::thread worker([&] { queue.run({}); });
    EXPECT_TRUE(waitFor([&] { return queue.tasks()[0].state == State::Running; }));
    std::this_thread::sleep_for(std::chrono::milliseconds(100));
    EXPECT_TRUE(queue.tasks()[0].reports.empty()) << "paused: nothing is made";
    queue.remove(queue.tasks()[0].id);
    EXPECT_TRUE(waitFor([&] { return queue.tasks().size() == 2; }));
    queue.setPaused(false);
    worker.join();
    EXPECT_FALSE(fs::exists(out() / "reel 1.first.wav"));
    for (const auto& t : queue.tasks()) EXPECT_EQ(t.state, State::Done);
    EXPECT_EQ(hidden(), 0u);
}

TEST_F(Queue, GoesOnWhereItBrokeOff) {
    std::map<std::string, std::string> sums;
    {
        DeliveryQueue queue(folder / "queue");
        addAll(queue);
        Progress progress;
        // Broken off after three files have their names: as a crash would, but for the note in the queue.
        queue.onChange = [&] {
            size_t done = 0;
            for (const auto& t : queue.tasks()) done += t.reports.size();
            if (done >= 3) progress.cancel();
        };
        EXPECT_THROW(queue.run(progress), Error);
        for (const fs::path& file : entries(out()))
            if (file.extension() == ".wav") sums[file.filename()] = fileSha256(file);
        EXPECT_EQ(sums.size(), 3u);
    }
    {  // What got its name just before the note of it was lost is known by its sum.
        const fs::path file = folder / "queue" / "task-2.json";
        auto j = nlohmann::json::parse(std::ifstream(file));
        ASSERT_EQ(j["reports"].size(), 1u);
        j["begun"] = j["reports"];
        j["reports"] = nlohmann::json::array();
        std::ofstream(file) << j.dump();
    }
    fs::create_directories(out() / ".rivlen-work-1-1");
    std::ofstream(out() / ".rivlen-work-1-1" / "lock") << "";
    DeliveryQueue queue(folder / "queue");
    EXPECT_TRUE(queue.waiting());
    std::map<std::string, fs::file_time_type> before;
    for (const auto& [name, sum] : sums) before[name] = fs::last_write_time(out() / name);
    queue.run({});
    for (const auto& t : queue.tasks()) {
        EXPECT_EQ(t.state, State::Done) << t.error;
        EXPECT_EQ(t.reports.size(), 2u);
    }
    for (const auto& [name, when] : before)
        EXPECT_EQ(fs::last_write_time(out() / name), when) << name << " was not made again";
    EXPECT_EQ(hidden(), 0u) << "what was left behind is cleared away";
    // What is damaged is left out.
    std::ofstream(folder / "queue" / "task-2.json") << "{\"format\": \"rivlen-queued\", \"version\": 1, \"id\": 3}";
    EXPECT_EQ(DeliveryQueue(folder / "queue").tasks().size(), 2u);
}

TEST_F(Queue, AFolderThatCannotBeWrittenToAndAPictureThatIsNotThereAreSaid) {
    DeliveryQueue queue(folder / "queue");
    std::ofstream(folder / "file") << "x";
    queue.add(session, session.reels[0], wanted, folder / "file" / "below", false);
    wanted[0].storage = Storage::Mp4;
    queue.add(session, session.reels[0], wanted, out(), false);
    queue.run({});
    const auto tasks = queue.tasks();
    EXPECT_EQ(tasks[0].state, State::Failed);
    EXPECT_EQ(tasks[0].errorKind, Error::Kind::OutputUnwritable);
    EXPECT_EQ(tasks[1].state, State::HeldBack);
    ASSERT_EQ(tasks[1].reports.size(), 2u);
    EXPECT_NE(tasks[1].reports[0].checks[0].detail.find("has none"), std::string::npos);
    EXPECT_TRUE(tasks[1].reports[1].passed()) << "the others are made";
    EXPECT_THROW(queue.add(session, session.reels[0], {}, out(), false), Error);
}
