#include "app/views/PictureDock.h"
#include "app/widgets/Theme.h"

#include <QMouseEvent>
#include <QPainter>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <functional>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {
constexpr int kFollowMs = 8;  // twice as often as the fastest picture changes
}

class PictureDock::View : public QWidget {
public:
    QImage image;
    QString why;
    std::optional<PictureBox> box;
    bool seen = true, marking = false;
    std::function<void(const PictureBox&)> marked;
    std::function<void(double, double)> pointed;

    View() {
        setMinimumSize(200, 113);
        setMouseTracking(true);
        QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Preferred);
        policy.setHeightForWidth(true);
        setSizePolicy(policy);
    }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override {
        return image.isNull() ? width * 9 / 16 : width * image.height() / image.width();
    }
    QSize sizeHint() const override { return {260, heightForWidth(260)}; }

protected:
    /// Where the picture lies in the widget.
    QRectF field() const {
        const QSize size = image.size().scaled(this->size(), Qt::KeepAspectRatio);
        return {(width() - size.width()) / 2.0, (height() - size.height()) / 2.0, double(size.width()),
                double(size.height())};
    }
    QPointF shareOf(const QPointF& at) const {
        const QRectF f = field();
        return {std::clamp((at.x() - f.left()) / f.width(), 0.0, 1.0),
                std::clamp((at.y() - f.top()) / f.height(), 0.0, 1.0)};
    }
    void mousePressEvent(QMouseEvent* e) override {
        if (!marking || image.isNull() || e->button() != Qt::LeftButton) return QWidget::mousePressEvent(e);
        m_from = shareOf(e->position());
        m_dragging = true;
    }
    void mouseMoveEvent(QMouseEvent* e) override {
        if (image.isNull()) return;
        const QPointF at = shareOf(e->position());
        if (m_dragging) {
            box = between(m_from, at);
            seen = true;
            update();
        } else if (field().contains(e->position())) {
            pointed(at.x(), at.y());
        }
    }
    void mouseReleaseEvent(QMouseEvent* e) override {
        if (!m_dragging) return QWidget::mouseReleaseEvent(e);
        m_dragging = false;
        const PictureBox drawn = between(m_from, shareOf(e->position()));
        // A click alone is no box.
        if (drawn.width > 0.01 && drawn.height > 0.01) marked(drawn);
    }
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), QColor(0x12, 0x11, 0x0f));
        if (image.isNull()) {
            p.setPen(theme::quietInk);
            p.setFont(theme::font(12));
            p.drawText(rect().adjusted(12, 12, -12, -12), int(Qt::AlignCenter) | int(Qt::TextWordWrap), why);
            return;
        }
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        const QRectF f = field();
        p.drawImage(f, image);
        if (box) {
            const QRectF r(f.left() + box->x * f.width(), f.top() + box->y * f.height(), box->width * f.width(),
                           box->height * f.height());
            p.setBrush(Qt::NoBrush);
            p.setPen(QPen(QColor(0, 0, 0, 150), 4));
            p.drawRect(r);
            p.setPen(QPen(seen ? theme::ink : theme::attention, 2, seen ? Qt::SolidLine : Qt::DashLine));
            p.drawRect(r);
        }
        if (marking) {
            p.setPen(QPen(theme::attention, 2));
            p.setBrush(Qt::NoBrush);
            p.drawRect(f.adjusted(1, 1, -1, -1));
        }
    }

private:
    static PictureBox between(const QPointF& a, const QPointF& b) {
        return {std::min(a.x(), b.x()), std::min(a.y(), b.y()), std::abs(a.x() - b.x()), std::abs(a.y() - b.y())};
    }
    QPointF m_from;
    bool m_dragging = false;
};

PictureDock::PictureDock(Document& document, Reels& reels, Hearing& hearing, Work& work, QWidget* parent)
    : QDockWidget(say("Picture"), parent), m_document(document), m_reels(reels), m_hearing(hearing), m_work(work) {
    setObjectName("picture");
    setAllowedAreas(Qt::LeftDockWidgetArea | Qt::RightDockWidgetArea);
    auto* whole = new QWidget;
    auto* column = new QVBoxLayout(whole);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    m_view = new View;
    m_view->setObjectName("pictureView");
    m_view->marked = [this](const PictureBox& box) { emit boxMarked(box); };
    m_view->pointed = [this](double x, double y) { emit pointed(x, y); };
    m_text = new QLabel;
    m_text->setObjectName("pictureTime");
    m_text->setFont(theme::font(15, QFont::Medium));
    m_text->setAlignment(Qt::AlignCenter);
    m_text->setStyleSheet(theme::sheet("background: @raised; padding: 4px"));
    m_text->setToolTip(say("Timecode of the frame that is shown. Ctrl+Left and Ctrl+Right step by a frame"));
    column->addWidget(m_view);
    column->addWidget(m_text);
    auto* steps = new QHBoxLayout;
    steps->setContentsMargins(8, 8, 8, 8);
    steps->setSpacing(6);
    for (int by : {-1, 1}) {
        auto* b = makeSmallButton(by < 0 ? "frameBack" : "frameOn", by < 0 ? say("A frame back") : say("A frame on"),
                                  by < 0 ? "Ctrl+Left" : "Ctrl+Right");
        steps->addWidget(b);
        connect(b, &QPushButton::clicked, this, [this, by] { step(by); });
    }
    column->addLayout(steps);
    column->addStretch();
    setWidget(whole);
    connect(&m_feed, &PictureFeed::frame, this, [this](const PictureFeed::Shown& shown) {
        m_shown = shown;
        const bool other = m_view->image.size() != shown.image.size();
        m_view->image = shown.image;
        if (other) m_view->updateGeometry();
        m_view->update();
        if (const ReelFacts* s = m_reels.current(); s && s->info)
            m_text->setText(timecodeAt(*s->info, shown.from + 1e-4));
        emit frameShown();
    });
    connect(&m_feed, &PictureFeed::failed, this, [this](const QString& sentence) {
        m_view->why = sentence;
        m_view->image = {};
        m_view->update();
        m_work.warn(sentence);
    });
    connect(&reels, &Reels::read, this, &PictureDock::reelOpened);
    connect(&document, &Document::changed, this, &PictureDock::reelOpened);
    connect(toggleViewAction(), &QAction::triggered, this, [this](bool on) { m_wanted = on; });
    m_clock.setInterval(kFollowMs);
    m_clock.setTimerType(Qt::PreciseTimer);
    connect(&m_clock, &QTimer::timeout, this, &PictureDock::follow);
    connect(&hearing, &Hearing::pulse, this, [this] {
        const bool playing = m_hearing.player().playing();
        if (playing && !m_clock.isActive()) m_clock.start();
        if (!playing) m_clock.stop(), follow();
    });
    hide();
}

void PictureDock::setBox(std::optional<PictureBox> box, bool seen) {
    if (box == m_view->box && seen == m_view->seen) return;
    m_view->box = box;
    m_view->seen = seen;
    m_view->update();
}

void PictureDock::setMarking(bool on) {
    m_view->marking = on;
    m_view->setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
    m_view->update();
}

bool PictureDock::hasPicture() const {
    const ReelFacts* s = m_reels.current();
    return s && s->info && s->info->picture && !s->missing;
}

void PictureDock::reelOpened() {
    const std::filesystem::path file = hasPicture() ? m_document.reel()->source : std::filesystem::path();
    if (file == m_file) return;
    m_file = file;
    m_view->image = {};
    m_view->why = file.empty() ? say("This reel has no picture.") : "";
    m_text->clear();
    m_shown = {};
    m_feed.open(file);
    setVisible(!file.empty() && m_wanted);
}

void PictureDock::setWanted(bool on) {
    m_wanted = on;
    setVisible(on && !m_file.empty());
}

void PictureDock::showEvent(QShowEvent* e) {
    QDockWidget::showEvent(e);
    m_wanted = true;
}

void PictureDock::follow() {
    const Player& player = m_hearing.player();
    if (m_file.empty() || !isVisible() || !player.isOpen()) return;
    m_feed.want(double(player.position()) / player.sampleRate(),
                std::clamp(int(m_view->height() * devicePixelRatioF()), 90, 1080));
}

void PictureDock::step(int frames) {
    Player& player = m_hearing.player();
    const ReelFacts* s = m_reels.current();
    if (!player.isOpen() || !s || !s->info) return;
    const FrameRate rate = s->info->picture ? s->info->picture->rate : FrameRate{25, 1};
    const double offset = s->info->picture ? s->info->startOffset : 0,
                 now = double(player.position()) / player.sampleRate();
    const auto number = int64_t(std::floor((now + offset) * rate.perSecond() + 1e-3)) + frames;
    m_hearing.locate(int64_t(std::ceil((double(number) / rate.perSecond() - offset) * player.sampleRate() - 1e-6)));
}

QString PictureDock::timecodeAt(const MediaInfo& info, double seconds) {
    const FrameRate rate = info.picture       ? info.picture->rate
                           : info.dropFrame() ? FrameRate{30000, 1001}
                                              : FrameRate{25, 1};
    const auto number =
        int64_t(std::floor((seconds + (info.picture ? info.startOffset : 0)) * rate.perSecond() + 1e-3));
    int64_t start = 0;
    try {
        if (info.timecode) start = framesOfTimecode(*info.timecode, rate);
    } catch (const Error&) {  // of another rate: counted from 0
    }
    return QString::fromStdString(timecodeOfFrames(start + number, rate, info.dropFrame()));
}

}  // namespace rivlen
