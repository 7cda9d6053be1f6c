// Where sound goes: chosen in the window, remembered, replaced when it goes away, and driven by a transport that other
// programs share (JACK's own in tests/reference/JackTest.cpp; here one that the test works).
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>

#include "WindowFixture.h"
#include "app/hearing/SoundOutput.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// A device with a transport, both the test's.
class OthersDevice : public Device, public SharedTransport {
public:
    explicit OthersDevice(TransportUse use) : m_use(use) {}
    bool start(int, RenderCallback callback) override {
        m_callback = std::move(callback);
        return true;
    }
    void stop() override { m_callback = nullptr; }
    std::string name() const override { return "shared"; }
    bool lost() const override { return gone; }
    SharedTransport* transport() override { return this; }
    TransportUse use() const override { return m_use; }
    std::optional<int64_t> wanted() const override { return asked; }
    void reached(int64_t frame) override {
        EXPECT_EQ(frame, asked);
        asked.reset();
        stands = frame;
    }
    void left() override { asked.reset(), stands.reset(); }
    bool rolling() const override { return rolls; }
    int64_t frame() const override { return at; }
    void roll() override { rolls = true; }
    void halt() override { rolls = false; }
    void locate(int64_t frame) override {
        at = frame;
        asked = frame;
    }
    void pull(int blocks) {
        std::vector<float> out(512);
        for (int i = 0; i < blocks; ++i) {
            m_callback({out.data(), {}, 256, rolls, {}});
            if (rolls) at += 256;
        }
    }
    std::optional<int64_t> asked, stands;
    bool rolls = false, gone = false;
    int64_t at = 0;

private:
    const TransportUse m_use;
    RenderCallback m_callback;
};

struct SoundOutputs : Window {
    Player& player() { return studio->hearing.player(); }
    OthersDevice* share(TransportUse use) {
        auto* shared = new OthersDevice(use);
        player().setDevice(std::unique_ptr<Device>(shared));
        return shared;
    }
    /// As with a real one, blocks come while it stands too.
    bool stands(OthersDevice& device, int64_t frame) {
        return until([&] {
            device.pull(1);
            return device.stands == frame;
        });
    }
    QDialog* dialog() {
        for (auto* menu : window->menuBar()->findChildren<QMenu*>())
            for (auto* action : menu->actions())
                if (action->text() == "Sound output…") action->trigger();
        auto* found = window->findChild<QDialog*>("soundOutput");
        EXPECT_NE(found, nullptr);
        return found;
    }
    void choose(QComboBox* box, const QString& text) {
        const int index = box->findText(text);
        ASSERT_GE(index, 0) << text.toStdString();
        box->setCurrentIndex(index);
        emit box->activated(index);
    }
};

}  // namespace

TEST_F(SoundOutputs, AreChosenHeardAtOnceAndRemembered) {
    add({QString::fromStdString(clip("clip.wav", 3).string())});
    QDialog* d = dialog();
    auto* to = d->findChild<QComboBox*>("outputTo");
    auto* frames = d->findChild<QComboBox*>("outputFrames");
    auto* transport = d->findChild<QComboBox*>("outputTransport");
    auto* state = d->findChild<QLabel*>("outputState");
    EXPECT_EQ(to->currentText(), "the default sound card");
    EXPECT_FALSE(transport->isEnabled()) << "a sound card has none";
    choose(frames, "512 frames");
    EXPECT_EQ(SoundOutput::remembered().frames, 512);
    player().play();
    choose(to, "nowhere (silent clock)");
    EXPECT_FALSE(frames->isEnabled());
    EXPECT_EQ(player().deviceName(), "silent clock");
    EXPECT_TRUE(state->text().contains("silent clock")) << state->text().toStdString();
    const int64_t here = player().position();
    EXPECT_TRUE(until([&] { return player().position() > here; })) << "it goes on playing";

    qputenv("JACK_DEFAULT_SERVER", "rivlen-no-such-server");
    choose(to, "ports of JACK or PipeWire");
    EXPECT_TRUE(state->text().contains("No JACK server runs here")) << state->text().toStdString();
    EXPECT_TRUE(transport->isEnabled());
    choose(transport, "follows and leads JACK's");
    d->close();
    EXPECT_EQ(SoundOutput::remembered().kind, OutputChoice::Kind::Jack);
    EXPECT_EQ(SoundOutput::remembered().transport, TransportUse::Lead);
    open();
    EXPECT_EQ(studio->hearing.output().choice(), SoundOutput::remembered());
}

TEST_F(SoundOutputs, ACardThatIsNotThereStaysChosenAndIsSaid) {
    QSettings().setValue("output/kind", int(OutputChoice::Kind::Card));
    QSettings().setValue("output/card", "ALSA: a box on another desk");
    QSettings().setValue("output/frames", 77);  // no size that there is
    open();
    add({QString::fromStdString(clip("clip.wav", 3).string())});
    QDialog* d = dialog();
    EXPECT_EQ(d->findChild<QComboBox*>("outputTo")->currentText(), "ALSA: a box on another desk (not there)");
    EXPECT_TRUE(d->findChild<QLabel*>("outputState")->text().contains("There is no such sound card"));
    EXPECT_EQ(studio->hearing.output().choice().frames, 256);
}

TEST_F(SoundOutputs, OneThatGoesAwayIsReplacedWhilePlaying) {
    add({QString::fromStdString(clip("clip.wav", 5).string())});
    OthersDevice* shared = share(TransportUse::Alone);
    player().play();
    shared->gone = true;
    ASSERT_TRUE(until([&] { return !warned.empty(); }));
    EXPECT_TRUE(warned.back().startsWith("The sound output \"shared\" went away")) << warned.back().toStdString();
    const int64_t here = player().position();
    EXPECT_TRUE(until([&] { return player().position() > here + 4800; })) << "playing goes on";
}

TEST_F(SoundOutputs, AFollowedTransportMovesAndStartsThePlayer) {
    add({QString::fromStdString(clip("clip.wav", 5).string())});
    OthersDevice* shared = share(TransportUse::Follow);
    shared->locate(96000);
    ASSERT_TRUE(stands(*shared, 96000));
    EXPECT_EQ(player().position(), 96000);
    EXPECT_FALSE(player().playing());
    shared->roll();
    shared->pull(4);
    EXPECT_TRUE(player().playing());
    EXPECT_GT(player().position(), 96000);
    shared->halt();
    shared->pull(4);
    EXPECT_FALSE(player().playing());
    // Space plays here alone; the others stay where they are.
    key(Qt::Key_Space);
    EXPECT_TRUE(player().playing());
    EXPECT_FALSE(shared->rolls);
    key(Qt::Key_Space);
    EXPECT_FALSE(player().playing());
    // It may roll at any moment: the device is not put to rest.
    QTest::qWait(2500);
    EXPECT_FALSE(player().resting());
}

TEST_F(SoundOutputs, ALedTransportIsWorkedByTheWindowsKeys) {
    add({QString::fromStdString(clip("clip.wav", 5).string())});
    OthersDevice* shared = share(TransportUse::Lead);
    studio->hearing.locate(48000);
    ASSERT_TRUE(stands(*shared, 48000));
    EXPECT_EQ(player().position(), 48000);
    key(Qt::Key_Period);
    ASSERT_TRUE(stands(*shared, 96000)) << "a second on, with all the others";
    key(Qt::Key_Space);
    EXPECT_TRUE(shared->rolls);
    shared->pull(8);
    EXPECT_TRUE(player().playing());
    key(Qt::Key_Space);
    EXPECT_FALSE(shared->rolls);
    shared->pull(4);
    EXPECT_FALSE(player().playing());
    // Played elsewhere in the meantime: it is taken there first.
    studio->hearing.audition(1, 2);
    ASSERT_TRUE(player().playing());
    EXPECT_FALSE(shared->rolls) << "what is only tried does not move the others";
}
