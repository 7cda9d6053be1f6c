#include "app/intake/FaultsView.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

constexpr int kTop = 4, kLabel = 15, kTrack = 14, kRow = kLabel + kTrack + 3, kMostRows = 7;  // pixels
constexpr double kLeast = 0.3;       // of the track's height, for the mildest
constexpr double kNarrow = 3;        // pixels that a fault is wide at least
constexpr double kEverywhere = 0.9;  // of the reel
constexpr double kReach = 4;         // pixels beside it that count as it

}  // namespace

FaultsView::FaultsView(TreatmentDesk& desk, Document& document, Reels& reels, Hearing& hearing, TimeAxis& axis,
                       QWidget* parent)
    : TimeView(document, reels, hearing, axis, parent), m_desk(desk) {
    setObjectName("faultsview");
    connect(&desk, &TreatmentDesk::changed, this, &FaultsView::follow);
    follow();
}

void FaultsView::follow() {
    m_found = m_desk.found().value_or(std::vector<Finding>{});
    m_rows.clear();
    for (const Finding& f : m_found)
        if (row(f.kind) < 0) m_rows.push_back(f.kind);
    m_more = std::max(0, int(m_rows.size()) - kMostRows);
    m_rows.resize(m_rows.size() - size_t(m_more));
    setFixedHeight(kTop + kRow * int(m_rows.size()) + 3);
    setVisible(any() && m_document.session().stage == stage::intake);
    update();
}

int FaultsView::row(Fault kind) const {
    const auto found = std::find(m_rows.begin(), m_rows.end(), kind);
    return found == m_rows.end() ? -1 : int(found - m_rows.begin());
}

QRectF FaultsView::box(int fault) const {
    const Finding& f = m_found[size_t(fault)];
    double worst = 0;
    for (const Finding& other : m_found)
        if (other.kind == f.kind) worst = std::max(worst, std::fabs(other.severity));
    const double share = worst > 0 ? std::fabs(f.severity) / worst : 1;
    const double height = kTrack * (kLeast + (1 - kLeast) * share);
    const double a = m_axis.xAt(f.from, width()), b = std::max(a + kNarrow, m_axis.xAt(f.to, width()));
    return {a, kTop + row(f.kind) * kRow + kLabel + kTrack - height, b - a, height};
}

void FaultsView::paintRow(QPainter& p, int r) {
    const double bottom = kTop + r * kRow + kLabel + kTrack;
    p.setPen(theme::line);
    p.drawLine(QPointF(0, bottom + 0.5), QPointF(width(), bottom + 0.5));
    int count = 0, open = 0, last = 0;
    for (size_t i = 0; i < m_found.size(); ++i) {
        const Finding& f = m_found[i];
        if (f.kind != m_rows[size_t(r)]) continue;
        ++count;
        last = int(i);
        const auto verdict = m_desk.verdict(f);
        open += verdict == TreatmentDesk::Verdict::Open;
        QColor fill = verdict == TreatmentDesk::Verdict::Accepted    ? theme::good
                      : verdict == TreatmentDesk::Verdict::Dismissed ? theme::line
                                                                     : theme::attention;
        if (f.to - f.from > kEverywhere * m_axis.duration()) fill.setAlpha(110);  // tells nothing of where
        const QRectF b = box(int(i));
        if (b.right() < 0 || b.left() > width()) continue;
        const bool chosen = m_desk.chosenFault() == int(i);
        if (f.places.size() > 1 && f.kind != Fault::Hum) {  // each click, within what was found
            fill.setAlpha(70);
            p.fillRect(b, fill);
            fill.setAlpha(255);
            for (double at : f.places) p.fillRect(QRectF(m_axis.xAt(at, width()) - 1, b.top(), 2, b.height()), fill);
        } else {
            p.fillRect(b, fill);
        }
        if (chosen) {
            p.setPen(QPen(theme::ink, 1.5));
            p.setBrush(Qt::NoBrush);
            p.drawRect(b.adjusted(-1, -1, 1, 1));
        }
    }
    const auto& entry = entryOf(m_rows[size_t(r)]);
    const double base = kTop + r * kRow + kLabel - 4;
    p.setFont(theme::font(12, QFont::DemiBold));
    p.setPen(theme::ink);
    p.drawText(QPointF(10, base), said(entry.name));
    const double x = 18 + p.fontMetrics().horizontalAdvance(said(entry.name));
    p.setFont(theme::font(12));
    p.setPen(theme::quietInk);
    const int chosen = m_desk.chosenFault();
    const QString only = said(describe(m_found[size_t(last)]));
    QString line = count == 1 ? (only.contains(": ") ? only.section(": ", 1) : only) : say("%1 times").arg(count);
    if (open == 0) line += line.isEmpty() ? say("seen to") : say(", seen to");
    if (chosen >= 0 && m_found[size_t(chosen)].kind == m_rows[size_t(r)])
        line = said(describe(m_found[size_t(chosen)])) + say("  –  N the next one, Shift+N the last");
    if (m_more > 0 && r == kMostRows - 1)
        line += say("%1%2 more kinds stand in the list").arg(line.isEmpty() ? "" : ";  ").arg(m_more);
    p.drawText(QPointF(x, base), line);
}

void FaultsView::paintPicture(QPainter& p) {
    p.fillRect(rect(), theme::raised);
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    if (m_axis.span() <= 0) return;
    for (int r = 0; r < int(m_rows.size()); ++r) paintRow(p, r);
}

int FaultsView::faultAt(const QPointF& at) const {
    int nearest = -1;
    double least = kReach;
    for (size_t i = 0; i < m_found.size(); ++i) {
        const int r = row(m_found[i].kind);
        if (r < 0 || at.y() < kTop + r * kRow || at.y() >= kTop + (r + 1) * kRow) continue;
        const QRectF b = box(int(i));
        const double off = std::max({b.left() - at.x(), at.x() - b.right(), 0.0});
        // Of those that lie over each other the shorter one.
        if (off < least || (off == 0 && nearest >= 0 && least <= 0 && b.width() < box(nearest).width()))
            least = off, nearest = int(i);
    }
    return nearest;
}

void FaultsView::mousePressEvent(QMouseEvent* e) {
    const int fault = e->button() == Qt::LeftButton ? faultAt(e->position()) : -1;
    if (fault < 0) return TimeView::mousePressEvent(e);
    m_desk.hearFault(fault);
}

bool FaultsView::event(QEvent* e) {
    if (e->type() != QEvent::ToolTip) return TimeView::event(e);
    const auto* help = static_cast<QHelpEvent*>(e);
    const int fault = faultAt(help->pos());
    if (fault < 0) {
        QToolTip::hideText();
        return true;
    }
    const Finding& f = m_found[size_t(fault)];
    QToolTip::showText(help->globalPos(),
                       said(describe(f)) + ", " + QString::fromStdString(formatTime(f.from)) + say(" to ") +
                           QString::fromStdString(formatTime(f.to)) +
                           say(", %1 % sure.\n").arg(std::lround(100 * f.confidence)) +
                           said(entryOf(f.kind).explanation) + say("\nA press plays it in a loop."),
                       this);
    return true;
}

}  // namespace rivlen
