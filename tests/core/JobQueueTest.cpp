#include <gtest/gtest.h>

#include <future>

#include "Support.h"
#include "core/base/Error.h"
#include "core/jobs/JobQueue.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(JobQueue, RunsInOrderAndReportsHowItEnded) {
    JobQueue queue;
    std::vector<int> order;
    std::promise<void> all;
    std::vector<std::string> errors;
    const auto finished = [&](const JobQueue::Outcome& o) { errors.push_back(o.error); };
    queue.submit(
        "one",
        [&](Progress& p) {
            p.report(0.5);
            order.push_back(1);
        },
        finished);
    queue.submit(
        "two",
        [&](Progress&) {
            order.push_back(2);
            throw Error(Error::Kind::Other, "It broke.");
        },
        finished);
    queue.submit(
        "three", [&](Progress&) { order.push_back(3); },
        [&](const JobQueue::Outcome& o) {
            finished(o);
            all.set_value();
        });
    all.get_future().wait();
    EXPECT_EQ(order, (std::vector<int>{1, 2, 3}));
    EXPECT_EQ(errors, (std::vector<std::string>{"", "It broke.", ""}));
}

TEST(JobQueue, CancelsRunningAndWaitingJobs) {
    std::promise<void> running, ended;
    bool cancelledRunning = false, ranSecond = false, cancelledSecond = false;
    JobQueue queue;
    const int first = queue.submit(
        "first",
        [&](Progress& p) {
            running.set_value();
            while (true) p.throwIfCancelled();
        },
        [&](const JobQueue::Outcome& o) { cancelledRunning = o.cancelled; });
    const int second = queue.submit(
        "second", [&](Progress&) { ranSecond = true; },
        [&](const JobQueue::Outcome& o) {
            cancelledSecond = o.cancelled;
            ended.set_value();
        });
    running.get_future().wait();
    ASSERT_EQ(queue.status().size(), 2u);
    EXPECT_TRUE(queue.status()[0].running);
    queue.cancel(second);
    queue.cancel(first);
    ended.get_future().wait();
    EXPECT_TRUE(cancelledRunning);
    EXPECT_TRUE(cancelledSecond);
    EXPECT_FALSE(ranSecond);
}
