// The Rebuild stage through the real window.
#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>
#include <QTabBar>

#include "WindowFixture.h"
#include "app/rebuild/ChainCurve.h"
#include "app/rebuild/ReplaceMusicDialog.h"
#include "core/audio/Decibel.h"
#include "core/loudness/Loudness.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct RebuildStage : Window {
    RebuildTools& tools() { return window->desks().rebuild; }
    RebuildDesk& desk() { return tools().desk; }
    LanesView& lanes() { return window->pictures().lanes(); }
    const Rebuild& rebuild() { return desk().rebuild(); }
    const Lane& lane(size_t i) { return *rebuild().lanes[i]; }
    bool settled() { return !tools().busy() && !studio->busy(); }

    void begin(double seconds = 5) {
        addAndSplit(seconds);
        key(Qt::Key_4, Qt::AltModifier);
        ASSERT_TRUE(lanes().isVisible());
        ASSERT_TRUE(until([&] { return settled(); }));
    }
    void page(int i) { find<QTabBar>("rebuildtabs")->setCurrentIndex(i); }
    void press(const char* name) { QTest::mouseClick(find<QPushButton>(name), Qt::LeftButton); }
    void loop(double from, double to) {
        studio->document.editReel("Set loop", [&](Reel& r) { r.loop = {from, to}; });
    }
    void locate(double second) { studio->hearing.player().locate(int64_t(second * 48000)); }
    QPoint at(double second, double y) {
        return {int(std::lround(window->pictures().axis().xAt(second, lanes().width()))), int(y)};
    }
    void drag(QPoint from, QPoint to, Qt::KeyboardModifiers keys = {}) {
        QTest::mousePress(&lanes(), Qt::LeftButton, keys, from);
        QTest::mouseMove(&lanes(), (from + to) / 2);
        QTest::mouseMove(&lanes(), to);
        QTest::mouseRelease(&lanes(), Qt::LeftButton, keys, to);
    }
    AudioBuffer written(const char* name) {
        const fs::path file = folder / name;
        tools().scene.render(QString::fromStdString(file.string()));
        EXPECT_TRUE(until([&] { return settled(); }));
        MediaReader reader(file);
        return reader.read(0, reader.frames());
    }
    /// A cue of some seconds in another rate.
    QString cue(double seconds) {
        AudioBuffer x = sine(330, 0.1, 44100, int64_t(seconds * 44100), 2);
        for (int64_t i = 0; i < x.frames(); ++i) x.channel(1)[size_t(i)] *= 0.8f;
        writeWav(folder / "cue.wav", x, 44100);
        return QString::fromStdString((folder / "cue.wav").string());
    }
};

}  // namespace

TEST_F(RebuildStage, SilentLanesOfferToSplitAtOnce) {
    add({QString::fromStdString(clip("clip.wav", 3).string())});
    studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
    key(Qt::Key_4, Qt::AltModifier);
    auto* offer = lanes().findChild<QPushButton*>("splitnow");
    ASSERT_NE(offer, nullptr);
    ASSERT_TRUE(until([&] { return offer->isVisible() && studio->reels.current()->info; }));
    EXPECT_TRUE(lanes().rect().contains(offer->geometry())) << "nothing of it is cut off";
    for (const auto& l : rebuild().lanes)
        EXPECT_LE(lanes().lanesLayout().caption(l->id).top(), offer->y()) << "it covers no lane: " << l->name;
    press("splitnow");
    ASSERT_TRUE(until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    EXPECT_FALSE(offer->isVisible());
}

TEST_F(RebuildStage, BeginsAsTheRecordingItself) {
    begin();
    EXPECT_EQ(rebuild().lanes.size(), 5u) << "three stems, the voice's room, leftovers";
    EXPECT_FALSE(!studio->document.reel()->rebuild->empty())
        << "nothing is part of the document before something was done";
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Mix) << "at Rebuild the mix is heard";
    MediaReader source(folder / "clip.wav");
    const AudioBuffer mix = written("mix.wav");
    EXPECT_LT(differenceDb(mix, source.read(0, source.frames())), -120);
    key(Qt::Key_3, Qt::AltModifier);
    EXPECT_EQ(studio->hearing.player().heard(), Heard::Result);
}

TEST_F(RebuildStage, ClipsAreCutMovedTrimmedAndFadedByMouseAndKeyboard) {
    begin();
    desk().chooseLane(lane(1).id);
    locate(2);
    key(Qt::Key_S);
    ASSERT_EQ(lane(1).clips.size(), 2u);
    EXPECT_NEAR(lane(1).clips[1].at, 2, 1e-4);
    const std::string right = lane(1).clips[1].id;
    const double top = lanes().lanesLayout().clip(right).top();
    // Moved by its title strip, freely with Ctrl.
    drag(at(3, top + 5), at(3.5, top + 5), Qt::ControlModifier);
    EXPECT_NEAR(rebuild().clip(right)->at, 2.5, 0.01);
    EXPECT_EQ(desk().selected(), std::set<std::string>{right});
    key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NEAR(rebuild().clip(right)->at, 2, 1e-4) << "one drag is one step";
    // Near the playhead it snaps to it.
    locate(2.5);
    drag(at(3, top + 5), at(3.505, top + 5));
    EXPECT_NEAR(rebuild().clip(right)->at, 2.5, 1e-4);
    // Trimmed at its begin: what it holds stays in place.
    drag(at(2.5, top + 5) + QPoint(2, 0), at(3, top + 5), Qt::ControlModifier);
    EXPECT_NEAR(rebuild().clip(right)->at, 3, 0.02);
    EXPECT_NEAR(rebuild().clip(right)->offset - rebuild().clip(right)->at, -0.5, 1e-6);
    // The corner below fades.
    drag(at(rebuild().clip(right)->at, top + LanesLayout::kTitle + 4), at(3.5, top + LanesLayout::kTitle + 4));
    EXPECT_NEAR(rebuild().clip(right)->fadeIn, 0.5, 0.02);
    // Slipped with Alt.
    const double offset = rebuild().clip(right)->offset;
    drag(at(4, top + 5), at(4.2, top + 5), Qt::AltModifier);
    EXPECT_NEAR(rebuild().clip(right)->offset, offset - 0.2, 0.02);
    key(Qt::Key_Right, Qt::AltModifier);
    EXPECT_NEAR(rebuild().clip(right)->at, 3.01, 0.02) << "nudged";
    key(Qt::Key_D, Qt::ControlModifier);
    EXPECT_EQ(lane(1).clips.size(), 3u);
    key(Qt::Key_U);
    EXPECT_TRUE(rebuild().clip(*desk().selected().begin())->muted);
    QTest::keyClick(&lanes(), Qt::Key_Delete);
    EXPECT_EQ(lane(1).clips.size(), 2u);
    desk().select({right});
    key(Qt::Key_C, Qt::ControlModifier);
    locate(0.5);
    key(Qt::Key_V, Qt::ControlModifier);
    EXPECT_EQ(lane(1).clips.size(), 3u);
    key(Qt::Key_K);
    ASSERT_EQ(rebuild().markers.size(), 1u);
    EXPECT_NEAR(rebuild().markers[0].at, 0.5, 1e-4);
}

TEST_F(RebuildStage, LanesShowTheirSamplesWhereLittleTimeIsShown) {
    begin();
    const auto waves = [&]() -> const LaneWaves& { return lanes().waves(); };
    const std::string clip = lane(0).clips.front().id;
    EXPECT_EQ(waves().of(clip), nullptr) << "five seconds are shown";
    desk().edit("Gain", [&](Rebuild& r) {
        Clip& c = r.lane(lane(0).id)->clips.front();
        c.gain = -6, c.fadeIn = 1, c.fadeInShape = FadeShape::Linear;
    });
    TimeAxis& axis = window->pictures().axis();
    const auto shows = [&](double from, double to) {
        axis.show(from, to);
        return until([&] { return !waves().busy() && waves().of(clip); });
    };
    ASSERT_TRUE(shows(2, 2.01));
    ASSERT_TRUE(until([&] { return settled(); }));
    const auto samples = [&](int64_t first, int64_t count) {
        return tools().mix.materials()->open("dialogue", rebuild())->read(first, count);
    };
    const auto expectMean = [&](double gain, int64_t first, size_t count) {
        const AudioBuffer x = samples(first, int64_t(count));
        ASSERT_GE(waves().of(clip)->samples.size(), count);
        for (size_t i = 0; i < count; ++i) {
            const double mean = (double(x.channel(0)[i]) + double(x.channel(1)[i])) / 2;
            ASSERT_NEAR(waves().of(clip)->samples[i], mean * gain, 5e-4) << i;
        }
    };
    expectMean(fromDb(-6.0), 96000, 480);
    const QImage dots = lanes().grab().toImage();
    ASSERT_TRUE(shows(0.5, 0.501));
    expectMean(fromDb(-6.0) * 0.5, 24000, 48);
    EXPECT_NE(lanes().grab().toImage(), dots);
    axis.show(0, 5);
    EXPECT_EQ(waves().of(clip), nullptr);
}

TEST_F(RebuildStage, CrossFadesAndBeforeAndAfter) {
    begin();
    desk().chooseLane(lane(0).id);
    locate(2);
    key(Qt::Key_S);
    desk().select({lane(0).clips[0].id});
    key(Qt::Key_X);
    EXPECT_NEAR(lane(0).clips[0].fadeOut, 0.2, 1e-6);
    key(Qt::Key_E);
    ASSERT_EQ(rebuild().lanes.size(), 6u);
    EXPECT_EQ(lane(1).name, "Voice, before");
    EXPECT_TRUE(lane(1).clips[0].muted);
    key(Qt::Key_W);
    EXPECT_FALSE(lane(1).clips[0].muted);
    EXPECT_TRUE(lane(0).clips[0].muted);
    page(3);
    find<QSlider>("clip_gain")->setValue(-12);
    EXPECT_EQ(lane(0).clips[0].gain, -6);
    find<QComboBox>("clip_out_shape")->setCurrentIndex(2);
    emit find<QComboBox>("clip_out_shape")->activated(2);
    EXPECT_EQ(lane(0).clips[0].fadeOutShape, FadeShape::Smooth);
}

TEST_F(RebuildStage, LevelsGroupsCurvesAndMetersWork) {
    begin();
    QTest::mouseClick(&lanes(), Qt::LeftButton, {}, lanes().lanesLayout().caption(lane(1).id).center().toPoint());
    EXPECT_EQ(desk().laneId(), lane(1).id);
    find<QSlider>("lane_level")->setValue(-60);
    EXPECT_EQ(lane(1).strip.level, -6);
    find<QLineEdit>("lane_pan_value")->setFocus();
    find<QLineEdit>("lane_pan_value")->selectAll();
    QTest::keyClicks(find<QLineEdit>("lane_pan_value"), "-40");
    QTest::keyClick(find<QLineEdit>("lane_pan_value"), Qt::Key_Return);
    EXPECT_EQ(lane(1).strip.pan, -40);
    QTest::mouseClick(&lanes(), Qt::LeftButton, {}, lanes().lanesLayout().mute(lane(2).id).center().toPoint());
    EXPECT_TRUE(lane(2).strip.mute);
    QTest::mouseClick(&lanes(), Qt::LeftButton, {}, lanes().lanesLayout().solo(lane(1).id).center().toPoint());
    EXPECT_TRUE(lane(1).strip.solo);
    tools().lanes.setGroup("bed");
    ASSERT_EQ(rebuild().groups.size(), 1u);
    EXPECT_EQ(lane(1).group, rebuild().groups[0].id);
    tools().lanes.setGroup("");
    EXPECT_TRUE(rebuild().groups.empty()) << "an empty group goes away";
    // A curve: points, drawing, trimming, copying, thinning.
    find<QComboBox>("automation")->setCurrentIndex(1);
    ASSERT_EQ(tools().curves.shown(), "level");
    const std::string id = lane(1).id;
    QTest::mouseDClick(&lanes(), Qt::LeftButton, {},
                       lanes().lanesLayout().curvePoint(id, stripRange({}, "level"), 1, -20).toPoint());
    QTest::mouseDClick(&lanes(), Qt::LeftButton, {},
                       lanes().lanesLayout().curvePoint(id, stripRange({}, "level"), 3, 0).toPoint());
    ASSERT_EQ(lane(1).strip.automation.at("level").size(), 2u);
    EXPECT_NEAR(lane(1).strip.automation.at("level")[0].second, -20, 1.6);
    drag(lanes()
             .lanesLayout()
             .curvePoint(id, stripRange({}, "level"), 3, lane(1).strip.automation.at("level")[1].second)
             .toPoint(),
         lanes().lanesLayout().curvePoint(id, stripRange({}, "level"), 2, -10).toPoint());
    EXPECT_NEAR(lane(1).strip.automation.at("level")[1].first, 2, 0.02);
    EXPECT_NEAR(lane(1).strip.automation.at("level")[1].second, -10, 1.6);
    const QPoint from = lanes().lanesLayout().curvePoint(id, stripRange({}, "level"), 3, -30).toPoint();
    QTest::mousePress(&lanes(), Qt::LeftButton, Qt::ShiftModifier, from);
    for (int i = 1; i <= 20; ++i) QTest::mouseMove(&lanes(), from + QPoint(5 * i, -i));
    QTest::mouseRelease(&lanes(), Qt::LeftButton, Qt::ShiftModifier, from + QPoint(100, -20));
    const auto drawn = lane(1).strip.automation.at("level");
    EXPECT_GT(drawn.size(), 3u);
    EXPECT_LT(drawn.size(), 12u) << "a drawn stroke is thinned";
    loop(0.5, 1.5);
    const double before = drawnAt(drawn, 1);
    press("curveup");
    EXPECT_NEAR(drawnAt(lane(1).strip.automation.at("level"), 1), before + 1, 1e-6);
    press("curvecopy");
    locate(4);
    press("curvepaste");
    EXPECT_NEAR(drawnAt(lane(1).strip.automation.at("level"), 4.5), before + 1, 0.01);
    press("curveclear");
    EXPECT_TRUE(lane(1).strip.automation.empty());
    // While it plays the lanes and the loudness are metered.
    loop(1, 4);
    studio->hearing.togglePlay();
    ASSERT_TRUE(until([&] { return std::isfinite(window->desks().meters.momentary()); }));
    studio->hearing.togglePlay();
    EXPECT_GT(window->desks().meters.truePeak(), -60);
    key(Qt::Key_G);
    EXPECT_TRUE(window->findChild<QWidget*>("meterwindow")->isVisible());
}

TEST_F(RebuildStage, TheChainIsSwitchedSetAndHeardInTheFile) {
    begin(3);
    desk().chooseLane("mix");
    page(1);
    QTest::mouseClick(find<QCheckBox>("limiter_on"), Qt::LeftButton, {}, QPoint(6, 8));
    EXPECT_TRUE(rebuild().mix.chain.limiter);
    find<QSlider>("limiter_ceiling")->setValue(-120);
    EXPECT_EQ(rebuild().mix.chain.ceiling, -12);
    find<QSlider>("limiter_ceiling")->setValue(-240);
    LoudnessMeter meter(2, 48000);
    const AudioBuffer mix = written("mix.wav");
    meter.add(mix);
    EXPECT_LE(meter.truePeak(), -24);
    EXPECT_GT(meter.truePeak(), -26);
    // The equaliser's handles are dragged.
    QTest::mouseClick(find<QPushButton>("equaliser_show"), Qt::LeftButton);
    auto* curve = find<ChainCurve>("chaincurve");
    const QPoint band = curve->bandPoint(2).toPoint();
    QTest::mousePress(curve, Qt::LeftButton, {}, band);
    QTest::mouseMove(curve, band + QPoint(20, 15));
    QTest::mouseRelease(curve, Qt::LeftButton, {}, band + QPoint(20, 15));
    EXPECT_TRUE(rebuild().mix.chain.equaliser);
    EXPECT_LT(rebuild().mix.chain.midDb, 0);
    EXPECT_GT(rebuild().mix.chain.midHz, 2600);
    for (const char* module : {"gate", "de-esser", "compressor", "room"}) {
        QTest::mouseClick(find<QPushButton>((std::string(module) + "_show").c_str()), Qt::LeftButton);
        EXPECT_FALSE(curve->grab().isNull());
    }
}

TEST_F(RebuildStage, MusicIsDuckedUnderTheVoiceAndTheDuckingBecomesACurve) {
    begin();
    desk().chooseLane(lane(1).id);
    page(2);
    QTest::mouseClick(find<QCheckBox>("duck"), Qt::LeftButton, {}, QPoint(6, 8));
    EXPECT_TRUE(lane(1).duck.on);
    EXPECT_EQ(lane(1).duck.key, lane(0).id);
    find<QSlider>("duck_depth")->setValue(90);
    EXPECT_EQ(lane(1).duck.depth, 9);
    ASSERT_TRUE(until([&] { return settled() && tools().ducking.curve(lane(1).id); }));
    double lowest = 0;
    for (const auto& [t, db] : *tools().ducking.curve(lane(1).id)) lowest = std::min(lowest, db);
    EXPECT_NEAR(lowest, -9, 0.3) << "there are words in the clip";
    const AudioBuffer ducked = written("ducked.wav");
    press("ducktocurve");
    EXPECT_FALSE(lane(1).duck.on);
    EXPECT_GT(lane(1).strip.automation.at("level").size(), 4u);
    EXPECT_EQ(tools().curves.shown(), "level");
    EXPECT_LT(differenceDb(written("curve.wav"), ducked), -30) << "it sounds the same";
}

TEST_F(RebuildStage, TheMusicIsReplacedInOneStep) {
    begin();
    loop(1, 4.5);
    const QString file = cue(1.5);
    key(Qt::Key_R);
    auto* dialog = window->findChild<ReplaceMusicDialog*>();
    ASSERT_NE(dialog, nullptr);
    EXPECT_FALSE(dialog->findChild<QPushButton*>("replace")->isEnabled());
    dialog->chooseFile(file);
    EXPECT_TRUE(dialog->findChild<QLabel*>("plan")->text().contains("repeats"));
    QTest::mouseClick(dialog->findChild<QPushButton*>("replace"), Qt::LeftButton);
    ASSERT_TRUE(until([&] { return rebuild().lanes.size() == 6 && settled(); }));
    EXPECT_EQ(lane(3).name, "New music");
    EXPECT_TRUE(lane(3).duck.on);
    EXPECT_TRUE(lane(3).clips[0].loops());
    EXPECT_EQ(lane(2).clips.size(), 2u) << "the old music is taken out of the span";
    // As loud as the old music was: measured apart from the ducking.
    const auto loudness = [&](const AudioBuffer& x) {
        LoudnessMeter meter(x.channels(), 48000);
        meter.add(x.slice(int64_t(1.2 * 48000), 3 * 48000));
        return meter.integrated();
    };
    const auto old = studio->reels.current()->stems->open(1);
    desk().edit("alone", [&](Rebuild& r) {
        for (auto& l : r.lanes) l.edit().strip.mute = l->name != "New music";
        r.lanes[3].edit().duck.on = false;
    });
    EXPECT_NEAR(loudness(written("new.wav")), loudness(old->read(0, old->frames())), 1.0);
    studio->document.undo();
    studio->document.undo();
    EXPECT_EQ(rebuild().lanes.size(), 5u);
}

TEST_F(RebuildStage, HolesAreFilledAndSilencesFoundAndShortened) {
    begin(12);  // long enough for pauses in which the network hears no voice
    loop(2, 2.6);
    desk().chooseLane(lane(0).id);
    page(4);
    press("cutout");
    EXPECT_EQ(lane(0).clips.size(), 2u);
    press("filltone");
    ASSERT_TRUE(until([&] { return settled() && lane(0).clips.size() == 3; }));
    EXPECT_EQ(rebuild().tones.size(), 1u);
    EXPECT_NEAR(lane(0).clips[1].at, 2, 1e-6);
    EXPECT_NEAR(lane(0).clips[1].length, 0.6, 1e-6);
    studio->document.undo();
    find<QDoubleSpinBox>("silenceseconds")->setValue(0.4);
    press("findsilences");
    ASSERT_TRUE(until([&] { return settled() && !tools().tones.silences().empty(); }));
    double total = 0;
    for (const auto& [a, b] : tools().tones.silences()) total += std::max(0.0, b - a - 0.35);
    const double end = rebuild().end();
    press("shortensilences");
    EXPECT_NEAR(rebuild().end(), end - total, 0.01);
}

TEST_F(RebuildStage, AreasOfTheOwnershipPictureChangeOwner) {
    begin(3);
    page(5);
    find<QCheckBox>("mend")->setChecked(true);
    EXPECT_EQ(window->pictures().shown(), MainWindow::Picture::Ownership);
    find<QComboBox>("mendstem")->setCurrentIndex(1);
    auto& picture = window->pictures().ownership();
    ASSERT_TRUE(until([&] { return !picture.busy(); }));
    const auto place = [&](double second, double hz) {
        return QPoint(int(window->pictures().axis().xAt(second, picture.width())), int(picture.yAtFrequency(hz)));
    };
    QTest::mousePress(&picture, Qt::LeftButton, {}, place(1, 2000));
    QTest::mouseMove(&picture, place(1.5, 1000));
    QTest::mouseMove(&picture, place(2, 200));
    QTest::mouseRelease(&picture, Qt::LeftButton, {}, place(2, 200));
    ASSERT_EQ(rebuild().mends.size(), 1u);
    EXPECT_NEAR(rebuild().mends[0].area.points[0].second, 2000, 60);
    ASSERT_TRUE(until([&] { return settled() && studio->reels.current()->stems->patches(); }));
    MediaReader source(folder / "clip.wav");
    const AudioBuffer mix = written("mix.wav");
    EXPECT_LT(differenceDb(mix, source.read(0, source.frames())), -115) << "what changes owner is conserved";
    const auto music = studio->reels.current()->stems->open(1);
    const auto plain = StemStore::openFinished(studio->reels.current()->stems->folder())->open(1);
    EXPECT_LT(levelDb(music->read(60000, 24000)), levelDb(plain->read(60000, 24000)) - 1);
    auto* list = find<QListWidget>("mends");
    ASSERT_EQ(list->count(), 1);
    list->item(0)->setCheckState(Qt::Unchecked);
    EXPECT_FALSE(rebuild().mends[0].on);
    studio->document.undo();
    studio->document.undo();
    ASSERT_TRUE(until([&] { return settled() && !studio->reels.current()->stems->patches(); }));
}

TEST_F(RebuildStage, AWholeSceneIsRebuiltSavedAndComesBack) {
    begin();
    // Chain on the voice, music replaced, curve, group, limiter on the mix.
    desk().chooseLane(lane(0).id);
    desk().editStrip("Chain", [](Strip& s) { s.chain = voiceChain(); });
    tools().mix.importSounds({cue(2)});
    ASSERT_TRUE(until([&] { return settled(); }));
    EXPECT_EQ(rebuild().lanes.size(), 6u);
    EXPECT_GT(tools().mix.soundSeconds(rebuild().sounds[0].id), 1.9);
    desk().chooseLane("mix");
    desk().editStrip("Limiter", [](Strip& s) { s.chain.limiter = true; });
    const AudioBuffer before = written("before.wav");
    const QString file = QString::fromStdString((folder / "s.rivlen").string());
    const Rebuild kept = rebuild();
    ASSERT_TRUE(studio->file.save(file));
    ASSERT_TRUE(studio->file.open(file));
    ASSERT_TRUE(until(
        [&] { return settled() && !studio->document.reel()->rebuild->empty() && studio->reels.current()->stems; }));
    EXPECT_EQ(rebuild(), kept);
    const AudioBuffer after = written("after.wav");
    EXPECT_EQ(differenceDb(before, after), kSilenceDb) << "to the bit";
}
