#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/MediaReader.h"
#include "core/separation/StemStore.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(StemStore, ReadersFollowTheWriterAndFindItAgain) {
    const TempFolder folder;
    const fs::path place = folder / "store";
    const std::vector<AudioBuffer> stems = {noise(2, 5000, 0.1f, 1), noise(2, 5000, 0.1f, 2), noise(2, 5000, 0.1f, 3)};
    auto store = StemStore::create(place, {{"dialogue", "music", "ambience"}, 48000, 2, 5000});
    auto reader = store->open(1);
    std::vector<AudioBuffer> half;
    for (const auto& s : stems) half.push_back(s.slice(0, 3000));
    store->append(half);
    EXPECT_EQ(store->available(), 3000);
    EXPECT_LE(differenceDb(reader->read(100, 2000), stems[1].slice(100, 2000)), kSilenceDb);
    EXPECT_LE(peakOf(reader->read(3000, 1000).samples()), 0.0f);
    EXPECT_EQ(StemStore::openFinished(place), nullptr) << "unfinished stores are not used";
    half.clear();
    for (const auto& s : stems) half.push_back(s.slice(3000, 2000));
    store->append(half);
    store->finish();
    const auto again = StemStore::openFinished(place);
    ASSERT_TRUE(again);
    EXPECT_EQ(again->stemIndex("ambience"), 2);
    EXPECT_EQ(again->stemIndex("drums"), -1);
    EXPECT_LE(differenceDb(again->open(2)->read(-10, 5020), stems[2].slice(-10, 5020)), kSilenceDb);
    EXPECT_EQ(again->levels().row(0), store->levels().row(0));
    fs::resize_file(place / "music.f32", 100);
    EXPECT_EQ(StemStore::openFinished(place), nullptr) << "a damaged store is made again";
}

TEST(StemStore, WhatWasMadeThroughDamageIsOnlyForWhoeverToleratesIt) {
    const TempFolder folder;
    const std::vector<AudioBuffer> stems = {noise(1, 1000, 0.1f, 1), noise(1, 1000, 0.1f, 2)};
    const auto made = [&](const std::vector<SourceFault>& faults) {
        auto store = StemStore::create(folder / "store", {{"dialogue", "music"}, 48000, 1, 1000});
        store->append(stems);
        store->finish(faults);
    };
    made({{SourceFault::Kind::Damage, 10, 20}});
    EXPECT_EQ(StemStore::openFinished(folder / "store", false), nullptr);
    ASSERT_TRUE(StemStore::openFinished(folder / "store", true));
    EXPECT_TRUE(StemStore::openFinished(folder / "store", true)->throughDamage());
    made({{SourceFault::Kind::NotNumbers, 10, 20}, {SourceFault::Kind::Gap, 50, 20}});
    EXPECT_TRUE(StemStore::openFinished(folder / "store", false)) << "a gap was never sound";
}

TEST(StemStore, KeepsTheRoomBesideAndSkipsWhatIsNotThere) {
    const TempFolder folder;
    const std::vector<AudioBuffer> stems = {noise(1, 1000, 0.1f, 1), noise(1, 1000, 0.1f, 2)};
    const AudioBuffer room = noise(1, 1000, 0.01f, 3);
    {
        auto store = StemStore::create(folder / "store", {{"dialogue", "music"}, 48000, 1, 480000, true});
        store->skip(200000);
        store->append(StemBlock{{}, stems, room});
        EXPECT_EQ(store->available(), 201000);
        store->skip(480000 - store->available());
        store->finish();
    }
    const auto store = StemStore::openFinished(folder / "store");
    ASSERT_TRUE(store && store->shape().room);
    auto readers = store->openAll();
    ASSERT_TRUE(readers.room);
    BufferSource source(AudioBuffer(1, 480000), 48000);
    const StemBlock block = readers.read(source, 199500, 2000);
    EXPECT_LE(differenceDb(block.stems[1].slice(500, 1000), stems[1]), kSilenceDb);
    EXPECT_LE(differenceDb(block.room.slice(500, 1000), room), kSilenceDb);
    EXPECT_EQ(peakOf(block.stems[0].slice(0, 500).samples()), 0.0f);
    EXPECT_EQ(peakOf(block.room.slice(1500, 500).samples()), 0.0f);
    EXPECT_EQ(peakOf(readers.read(source, 400000, 80000).stems[0].samples()), 0.0f);
}
