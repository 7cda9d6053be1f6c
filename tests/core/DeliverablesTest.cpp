#include <gtest/gtest.h>

#include "Support.h"
#include "core/base/Error.h"
#include "core/delivery/DeliverySets.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(Deliverables, NamesAreMadeOfTokensAndCleaned) {
    Deliverable d;
    d.name = "M&E";
    d.fileName = "{session}/{reel}_{name}_{loudness}";
    EXPECT_EQ(deliveryFileName(d, "Night", "Reel: 1"), "Night-Reel- 1_M&E_as is.wav");
    d.loudness = -23;
    d.storage = Storage::Flac;
    d.fileName = "../{name} {loudness}";
    EXPECT_EQ(deliveryFileName(d, "", ""), "-M&E -23 LUFS.flac");
    d.fileName = "{nobody}";
    EXPECT_THROW(deliveryFileName(d, "", ""), Error);
    d.fileName = "{reel}";
    EXPECT_THROW(deliveryFileName(d, "", " . "), Error);
}

TEST(Deliverables, AreSavedAndComeBackAndNonsenseIsRefused) {
    for (const auto& set : shippedDeliveries())
        for (const auto& d : set.deliverables) EXPECT_EQ(deliverableFromJson(toJson(d)), d) << d.name;
    Deliverable all;
    all.name = "all";
    all.candidate = "natural", all.span = {1, 2}, all.loudness = -20, all.dialogueGated = true,
    all.storage = Storage::Mov, all.dither = Dither::Shaped;
    all.layout = ChannelLayout::Surround71, all.monoFiles = true, all.keepOriginal = true, all.language = "fin",
    all.sampleRate = 96000, all.on = false;
    EXPECT_EQ(deliverableFromJson(toJson(all)), all);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"holds", "everything"}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"format", "cassette"}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"loudness", 3}}), Error);
    EXPECT_THROW(deliverableFromJson({{"name", "x"}, {"span", {4, 2}}}), Error);
    for (const char* key : {"candidate", "dither", "layout", "language"})
        EXPECT_THROW(deliverableFromJson({{"name", "x"}, {key, "Q7"}}), Error) << key;
    // Sets as files.
    const TempFolder folder;
    setenv("XDG_DATA_HOME", folder.path().c_str(), 1);
    saveOwnDeliverySet({"Lake", "for the lake", {all}});
    ASSERT_EQ(ownDeliverySets().size(), 1u);
    EXPECT_EQ(ownDeliverySets()[0].deliverables, std::vector<Deliverable>{all});
    EXPECT_THROW(saveOwnDeliverySet({shippedDeliveries()[0].name, "", {all}}), Error);
    EXPECT_THROW(parseDeliverySet("{}", "x"), Error);
    EXPECT_THROW(parseDeliverySet("{\"format\": \"rivlen-deliveries\", \"version\": 1, \"deliverables\": []}", "x"),
                 Error);
    EXPECT_THROW(readDeliverySet(folder / "nothing.json"), Error);
}
