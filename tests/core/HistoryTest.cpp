#include <gtest/gtest.h>

#include "ExampleSession.h"
#include "core/session/History.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(History, UndoesAndRedoes) {
    History h;
    h.edit("Name", [](Session& s) { s.name = "A"; });
    h.edit("Name again", [](Session& s) { s.name = "B"; });
    EXPECT_EQ(h.undoName(), "Name again");
    h.undo();
    EXPECT_EQ(h.session().name, "A");
    EXPECT_EQ(h.redoName(), "Name again");
    h.redo();
    EXPECT_EQ(h.session().name, "B");
    h.undo();
    h.edit("Other", [](Session& s) { s.name = "C"; });
    EXPECT_FALSE(h.canRedo());
}

TEST(History, AGestureIsOneStepAndNothingIsNone) {
    History h;
    h.reset(example("/x"));
    const auto depth = [](double d) { return [d](Session& s) { s.reels[0].isolation().depth = d; }; };
    for (double d : {50.0, 40.0, 30.0}) h.edit("Set Depth", depth(d), "depth_db");
    h.endGesture();
    h.edit("Set Depth", depth(20), "depth_db");
    h.edit("Set Depth", depth(20));
    h.undo();
    EXPECT_DOUBLE_EQ(h.session().reels[0].isolation().depth, 30);
    h.undo();
    EXPECT_DOUBLE_EQ(h.session().reels[0].isolation().depth, kFullDepth);
    EXPECT_FALSE(h.canUndo());
}

TEST(History, KnowsWhatIsSaved) {
    History h;
    h.reset(example("/x"));
    h.remember([](Session& s) { s.stage = "intake"; });
    EXPECT_FALSE(h.modified()) << "looking around changes nothing";
    h.edit("Name", [](Session& s) { s.name = "New"; });
    EXPECT_TRUE(h.modified());
    h.markSaved();
    EXPECT_FALSE(h.modified());
}

TEST(History, UndoKeepsTheUserWhereHeIs) {
    History h;
    h.reset(example("/x"));
    h.edit("Set", [](Session& s) { s.reels[0].isolation().depth = 3; });
    h.remember([](Session& s) { s.stage = "dispatch"; });
    h.undo();
    EXPECT_EQ(h.session().stage, "dispatch");
}
