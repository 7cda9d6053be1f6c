#include "app/weigh/DifferenceView.h"

#include <QPainter>

#include "app/views/OwnershipView.h"
#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/isolation/ResultSource.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

const QColor &kMoreA = theme::attention, &kMoreB = theme::second;

AudioBuffer resultOf(const std::filesystem::path& file, const Reel& reel, const StemStore& stems,
                     const IsolationSettings& settings, int64_t first, int64_t count, const Progress& progress) {
    const auto reader = std::make_shared<MediaReader>(file);
    ResultSource result(reader, stems.openAll(reel.stem), timelineWith(reel, settings));
    AudioBuffer all(reader->channels(), 0);
    for (int64_t at = 0; at < count; at += reader->sampleRate()) {
        progress.throwIfCancelled();
        all.append(result.read(first + at, std::min<int64_t>(reader->sampleRate(), count - at)));
    }
    return all;
}

}  // namespace

DifferenceView::DifferenceView(Document& document, Reels& reels, Hearing& hearing, CandidateDesk& desk, TimeAxis& axis,
                               QWidget* parent)
    : ComputedPicture(document, reels, hearing, axis, parent), m_desk(desk) {
    setObjectName("difference");
    connect(&desk, &CandidateDesk::changed, this, [this] {
        std::vector<std::optional<Candidate>> now;
        if (const auto pair = m_desk.compared()) now = {m_desk.at(pair->first), m_desk.at(pair->second)};
        if (now == m_shown) return;
        m_shown = now;
        soon();
    });
}

QString DifferenceView::hindrance() const {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->stems || !state->stems->finished()) return say("Split this reel first.");
    if (m_hearing.blind()) return say("Hidden while you compare blind.");
    if (!m_desk.compared()) return say("Keep two candidates first: Shift+A and Shift+B.");
    if (m_axis.span() > kLongest) return say("Zoom in to a minute or less to see the difference.");
    return {};
}

ComputedPicture::Job DifferenceView::prepare(int columns, int rows) {
    if (!hindrance().isEmpty()) return nullptr;
    const auto [a, b] = *m_desk.compared();
    const ReelFacts* state = m_reels.current();
    const int rate = state->info->sampleRate;
    const int64_t first = int64_t(m_axis.from() * rate), count = int64_t(m_axis.span() * rate);
    return [file = m_reels.heardFile(*m_document.reel()), reel = *m_document.reel(), stems = state->stems,
            a = m_desk.at(a)->settings, b = m_desk.at(b)->settings, first, count, columns, rows,
            rate](const Progress& progress) {
        AudioBuffer one = resultOf(file, reel, *stems, a, first, count, progress),
                    other = resultOf(file, reel, *stems, b, first, count, progress), difference = one;
        for (size_t i = 0; i < difference.samples().size(); ++i) difference.samples()[i] -= other.samples()[i];
        BufferSource d(std::move(difference), rate), x(std::move(one), rate), y(std::move(other), rate);
        return colourOwnership(paintOwnership(d, {&x, &y}, 0, count, columns, rows, progress),
                               {kMoreA, kMoreB, kMoreB});
    };
}

void DifferenceView::paintPicture(QPainter& p) {
    const ReelFacts* state = m_reels.current();
    if (!state || !state->info) return;
    if (const QString why = hindrance(); !why.isEmpty()) {
        p.setFont(theme::font(15));
        p.setPen(theme::quietInk);
        p.drawText(rect(), Qt::AlignCenter, why);
        return;
    }
    paintImage(p);
    paintFrequencies(p);
    const auto [a, b] = *m_desk.compared();
    p.setFont(theme::font(12, QFont::DemiBold));
    double right = width() - 10;
    const auto key = [&](const QString& text, const QColor& colour) {
        const double w = p.fontMetrics().horizontalAdvance(text) + 16;
        right -= w;
        p.setPen(Qt::NoPen);
        p.setBrush(colour);
        p.drawRoundedRect(QRectF(right, 8, w, 20), 4, 4);
        p.setPen(theme::ground);
        p.drawText(QRectF(right, 8, w, 20), Qt::AlignCenter, text);
        right -= 6;
    };
    key(CandidateDesk::letter(b) + say(" has more"), kMoreB);
    key(CandidateDesk::letter(a) + say(" has more"), kMoreA);
}

}  // namespace rivlen
