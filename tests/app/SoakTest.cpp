// A short piece of the simulated week (tests/soak); `./rivlen soak` runs it whole.
#include "../soak/Week.h"

#include <gtest/gtest.h>

using namespace rivlen;
using namespace rivlen::test;

TEST(Soak, AFewHoursOfWorkLeaveNothingBehindAndComplainOfNothing) {
    const TempFolder folder;
    for (const char* name : {"CACHE", "DATA"})
        qputenv((std::string("XDG_") + name + "_HOME").c_str(), QByteArray::fromStdString((folder / name).string()));
    Week week(folder.path(), 6, seed());
    const auto work = [&](int actions) {
        for (int i = 0; i < actions; ++i) week.act();
        EXPECT_TRUE(week.rest());
        return week.heldWhenClosed();
    };
    work(100);  // libraries, fonts and caches are there then
    const Held early = work(60), late = work(60);
    EXPECT_LE(late.files, early.files + 1);
    EXPECT_LE(late.threads, early.threads + 2);
    EXPECT_LT(late.megabytes, early.megabytes * 1.5 + 100) << "memory without end; ./rivlen soak measures it";
    for (const auto& text : week.complaints()) ADD_FAILURE() << text;
    EXPECT_GE(week.actions().size(), 10u) << "hardly anything was tried";
}
