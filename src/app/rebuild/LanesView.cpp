#include "app/rebuild/LanesView.h"

#include <QDropEvent>
#include <QMimeData>
#include <QPushButton>

#include "app/views/WaveDrawing.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/audio/Decibel.h"

namespace rivlen {

LanesView::LanesView(RebuildTools& tools, Document& document, Reels& reels, Splitting& splitting, Hearing& hearing,
                     TimeAxis& axis, QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent),
      m_mix(tools.mix),
      m_tones(tools.tones),
      m_gestures(reels, hearing, tools.desk, tools.clips, tools.lanes, tools.curves),
      m_waves(axis, tools.mix, tools.desk, tools.ducking),
      m_painter(reels, tools.mix, tools.desk, tools.ducking, tools.curves, m_waves) {
    setObjectName("lanes");
    setFocusPolicy(Qt::StrongFocus);
    setAcceptDrops(true);
    setMouseTracking(true);
    setMinimumHeight(140);
    setAccessibleName(say("Lanes"));
    connect(&tools.desk, &RebuildDesk::changed, this, [this, &desk = tools.desk] {
        m_gestures.forgetLostPoint();
        m_scroll = lanesLayout().scrollTo(desk.laneId());
        paintAgain();
    });
    connect(&axis, &TimeAxis::changed, this, &LanesView::paintAgain);
    connect(&m_waves, &LaneWaves::changed, this, &LanesView::paintAgain);
    m_split = new QPushButton(say("Split it now"), this);
    m_split->setObjectName("splitnow");
    m_split->setToolTip(say("Separates the reel with its network and quality, as at Split (Ctrl+Return)"));
    m_split->setStyleSheet("QPushButton { padding: 2px 12px }");
    m_split->hide();
    connect(m_split, &QPushButton::clicked, this, [&splitting] { splitting.split(); });
    connect(&reels, &Reels::stemsChanged, this, &LanesView::placeNote);
    connect(&reels, &Reels::read, this, &LanesView::placeNote);
}

LanesLayout LanesView::lanesLayout() const { return {m_axis, shown(), size(), m_scroll, silent()}; }

bool LanesView::silent() const {
    const ReelFacts* state = m_reels.current();
    return state && !state->stems && !shown().empty();
}

void LanesView::placeNote() {
    const ReelFacts* state = m_reels.current();
    m_split->setVisible(silent() && !state->splitting && !state->missing);
    const QSize size = m_split->sizeHint();
    m_split->setGeometry(width() - size.width() - 10, height() - (LanesLayout::kNote + size.height()) / 2, size.width(),
                         size.height());
    paintAgain();
}

void LanesView::paintAgain() {
    m_stale = m_all = true;
    update();
}

void LanesView::paintLanes(const LanesLayout& layout) {
    const qreal scale = devicePixelRatioF();
    if (m_all || m_static.size() != size() * scale) {
        m_static = QPixmap(size() * scale);
        m_static.setDevicePixelRatio(scale);
        m_static.fill(theme::ground);
        m_painted.clear();
    }
    QPainter p(&m_static);
    for (const auto& row : layout.rows()) {
        if (row.top > layout.lanesHeight() || layout.body(row).bottom() < 0) continue;
        if (row.body) {
            const auto& lane = *std::find_if(shown().lanes.begin(), shown().lanes.end(),
                                             [&](const auto& l) { return l->id == row.id; });
            // While one is dragged the others stay as they are: two thousand clips are not drawn for each move.
            const auto before = m_painted.find(row.id);
            if (before != m_painted.end() && &*before->second == &*lane) continue;
            m_painted.insert_or_assign(row.id, lane);
            m_painter.paintBody(p, layout, row, *lane, {m_gestures.point(), m_gestures.stroke()});
        }
        m_painter.paintCaption(p, layout, row);
    }
    m_stale = m_all = false;
}

void LanesView::paintMarks(QPainter& p, const LanesLayout& layout) {
    for (const auto& [from, to] : m_tones.silences()) {
        QColor shade = theme::attention;
        shade.setAlpha(50);
        p.fillRect(QRectF(layout.xAt(from), 0, layout.xAt(to) - layout.xAt(from), height()), shade);
    }
    if (m_waves.shows()) paintFullHeight(p, width(), 0, m_waves.loudest());
    const double foot = layout.lanesHeight();
    p.fillRect(QRectF(0, foot, width(), height() - foot), theme::ground);
    p.setFont(theme::font(10));
    for (const Marker& m : shown().markers) {
        const double x = layout.xAt(m.at);
        if (x < -60 || x > width()) continue;
        p.setPen(QPen(theme::good, 1, Qt::DashDotLine));
        p.drawLine(QPointF(x, 0), QPointF(x, foot + LanesLayout::kMarkers));
        p.drawText(QPointF(x + 3, foot + 12), QString::fromStdString(m.name));
    }
    if (const double all = layout.contentHeight(); all > foot) {  // how far it is scrolled
        const double share = foot / all;
        p.fillRect(QRectF(width() - 4, m_scroll * share, 3, foot * share), theme::dim);
    }
}

void LanesView::paintMeters(QPainter& p, const LanesLayout& layout) {
    for (const auto& row : layout.rows()) {
        if (row.top + 18 > layout.lanesHeight()) break;
        const auto found = m_levels.find(row.id);
        if (found == m_levels.end()) continue;
        for (int c = 0; c < 2; ++c) {
            const float db = c ? found->second.second : found->second.first;
            const QRectF frame(226, row.top + 5 + c * 6, 122, 4);
            p.fillRect(frame, theme::well);
            p.fillRect(QRectF(frame.left(), frame.top(), std::clamp((db + 60) / 60.0, 0.0, 1.0) * frame.width(), 4),
                       db > -1 ? theme::attention : theme::quietInk);
        }
    }
}

void LanesView::paintPicture(QPainter& p) {
    if (shown().empty()) {
        p.setPen(theme::quietInk);
        p.drawText(rect(), Qt::AlignCenter, say("Add a recording at Intake first; its stems get a lane each here."));
        return;
    }
    const LanesLayout layout = lanesLayout();
    if (m_stale || m_static.size() != size() * devicePixelRatioF()) paintLanes(layout);
    p.drawPixmap(0, 0, m_static);
    paintMarks(p, layout);
    if (silent()) {
        const QRectF note(0, height() - LanesLayout::kNote, width(), LanesLayout::kNote);
        p.fillRect(note, theme::raised);
        p.setFont(theme::font(13, QFont::DemiBold));
        p.setPen(theme::attention);
        p.drawText(note.adjusted(12, 0, 0, 0), Qt::AlignVCenter,
                   m_reels.current()->splitting ? say("Stems grow as they are split.")
                                                : say("The stems are silent until this reel is split."));
    }
    paintMeters(p, layout);
}

void LanesView::tick() {
    const auto meters = m_hearing.player().mixMeters();
    const bool live = meters && m_hearing.player().playing() && m_hearing.player().heard() == Heard::Mix;
    bool any = false;
    const LanesLayout layout = lanesLayout();
    for (const auto& row : layout.rows()) {
        auto& level = m_levels.try_emplace(row.id, -200.0f, -200.0f).first->second;
        float left = -200, right = -200;
        if (auto* strip = live ? meters->of(row.id) : nullptr)
            left = float(toDb(strip->left.exchange(0))), right = float(toDb(strip->right.exchange(0)));
        const auto before = level;
        level = {std::max(left, level.first - 0.8f), std::max(right, level.second - 0.8f)};
        any = any || (before != level && level.first > -70);
    }
    if (any || m_hearing.player().playing()) update();
}

void LanesView::mousePressEvent(QMouseEvent* e) {
    if (e->button() != Qt::LeftButton || shown().empty()) return;
    if (!m_gestures.press(lanesLayout(), *e)) return TimeView::mousePressEvent(e);
    if (m_gestures.dragging()) paintAgain();
}

void LanesView::mouseMoveEvent(QMouseEvent* e) {
    if (!m_gestures.dragging()) {
        setCursor(m_gestures.cursorAt(lanesLayout(), e->position()));
        return TimeView::mouseMoveEvent(e);
    }
    if (m_gestures.drag(lanesLayout(), *e)) m_all = true;
    m_stale = true;
    update();
}

void LanesView::mouseReleaseEvent(QMouseEvent* e) {
    if (!m_gestures.dragging()) return TimeView::mouseReleaseEvent(e);
    m_gestures.release(lanesLayout(), *e);
    paintAgain();
}

void LanesView::mouseDoubleClickEvent(QMouseEvent* e) {
    if (!m_gestures.doubleClick(lanesLayout(), e->position())) TimeView::mouseDoubleClickEvent(e);
}

void LanesView::wheelEvent(QWheelEvent* e) {
    if (!(e->modifiers() & Qt::ControlModifier)) return TimeView::wheelEvent(e);
    m_scroll = std::clamp(m_scroll - e->angleDelta().y() / 120.0 * 40, 0.0, lanesLayout().mostScroll());
    paintAgain();
    e->accept();
}

void LanesView::keyPressEvent(QKeyEvent* e) {
    if (!m_gestures.key(lanesLayout(), *e)) return TimeView::keyPressEvent(e);
    paintAgain();
}

void LanesView::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void LanesView::dropEvent(QDropEvent* e) {
    QStringList files;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    e->acceptProposedAction();
    m_mix.importSounds(files);
}

}  // namespace rivlen
