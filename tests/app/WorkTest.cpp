// Work in the background: what reaches the window, and what no longer does.
#include <future>

#include "StudioFixture.h"
#include "app/work/OwnWork.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Works : WithoutWindow {
    std::vector<std::string> came;
    /// A job that waits to be let go, then posts its name and ends.
    Work::Body held(std::shared_future<void> go, const std::string& name) {
        return [this, go, name](Progress&, const Work::Post& post) {
            go.wait();
            post([this, name] { came.push_back(name); });
        };
    }
    Work::Ended ends(const std::string& name) {
        return [this, name](const JobQueue::Outcome& o) {
            came.push_back(name + (o.done ? " done" : o.cancelled ? " cancelled" : " failed"));
        };
    }
};

}  // namespace

TEST_F(Works, OfAnotherSessionNothingArrives) {
    std::promise<void> go;
    const auto gate = go.get_future().share();
    std::atomic<bool> cleaned{false};
    studio->work.submit(Work::Queue::Long, "Old", held(gate, "old"), ends("old"),
                        [&](const JobQueue::Outcome&) { cleaned = true; });
    studio->file.begin();
    go.set_value();
    studio->work.submit(Work::Queue::Long, "New", held(gate, "new"), ends("new"));
    ASSERT_TRUE(until([&] { return came.size() == 2; }));
    EXPECT_EQ(came, (std::vector<std::string>{"new", "new done"}));
    EXPECT_TRUE(cleaned) << "what must be done at once is done all the same";
}

TEST_F(Works, OfADesksWorkOnlyTheNewestCounts) {
    QObject desk;
    OwnWork own(studio->work, &desk);
    std::promise<void> go;
    const auto gate = go.get_future().share();
    own.submit("First", held(gate, "first"), ends("first"));
    own.begin();
    own.submit("Second", held(gate, "second"), ends("second"));
    go.set_value();
    ASSERT_TRUE(until([&] { return came.size() == 2; }));
    EXPECT_EQ(came, (std::vector<std::string>{"second", "second done"}));
    EXPECT_TRUE(until([&] { return own.idle(); }));
}

TEST_F(Works, AFailureIsToldOnceBeforeTheEnd) {
    QObject desk;
    OwnWork own(studio->work, &desk);
    const auto fails = [](Progress&, const Work::Post&) {
        throw Error(Error::Kind::InputUnreadable, "The tape is torn: splice it.");
    };
    own.submit("Told", fails, [this](const JobQueue::Outcome&) { EXPECT_EQ(warned.size(), 1u); });
    own.submit("Shown elsewhere", fails, ends("own"), OwnWork::Failure::Owners);
    ASSERT_TRUE(until([&] { return came.size() == 1; }));
    EXPECT_EQ(came, std::vector<std::string>{"own failed"});
    ASSERT_EQ(warned.size(), 1u);
    EXPECT_EQ(warned[0], "The tape is torn: splice it.");
}

TEST_F(Works, NothingReachesADeskThatIsGone) {
    std::promise<void> go;
    const auto gate = go.get_future().share();
    {
        QObject desk;
        OwnWork own(studio->work, &desk, OwnWork::Shown::InWorkLine);
        EXPECT_EQ(studio->work.shown().size(), 4u);
        own.submit("Late", held(gate, "late"), ends("late"));
        go.set_value();
    }
    QCoreApplication::processEvents();
    EXPECT_TRUE(came.empty());
    EXPECT_EQ(studio->work.shown().size(), 3u);
}
