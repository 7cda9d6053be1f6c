#include "app/weigh/SettingRow.h"

#include "app/words/Say.h"

namespace rivlen {

namespace {
ValueRow::Range rangeOf(const IsolationParameter& p) {
    return {p.id,
            said(p.name),
            said(p.explanation),
            p.minimum,
            p.maximum,
            p.step,
            p.neutral,
            [&p](double v) { return said(describeValue(p, v)); },
            [&p](const QString& text) {
                for (const char* word : {QT_TRID_NOOP("full"), QT_TRID_NOOP("as Depth")})
                    if (text.trimmed() == say(word)) return parseValue(p, word);
                return parseValue(p, text.toStdString());
            }};
}
}  // namespace

SettingRow::SettingRow(Document& document, Reels& reels, Hearing& hearing, Work& work,
                       const IsolationParameter& parameter, QWidget* parent)
    : ValueRow(rangeOf(parameter), nullptr, parent),
      m_document(document),
      m_reels(reels),
      m_hearing(hearing),
      m_work(work),
      m_parameter(parameter) {
    connect(this, &ValueRow::set, this, [this](double value, bool dragging) {
        m_document.editReel(
            say("Set %1").arg(said(m_parameter.name)),
            [&](Reel& r) {
                double& now = r.isolation().*m_parameter.value;
                now = settledValue(m_parameter, value, now);
            },
            dragging ? m_parameter.id : "");
        refresh();
    });
    connect(this, &ValueRow::released, this, [this] { m_document.endGesture(); });
    connect(this, &ValueRow::refused, this, [this](const QString& sentence) {
        m_work.warn(sentence);
        refresh();
    });
    connect(&document, &Document::changed, this, &SettingRow::refresh);
    connect(&reels, &Reels::stemsChanged, this, &SettingRow::refresh);
    refresh();
}

void SettingRow::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    const bool blind = m_hearing.blind();
    setEnabled(reel && state && state->stems && !blind);
    setUsable(isEnabled() && m_hindrance.isEmpty());
    setExplanation(m_hindrance.isEmpty() ? said(m_parameter.explanation) : m_hindrance);
    show(reel && !blind ? reel->isolation().*m_parameter.value : m_parameter.neutral,
         blind ? say("hidden") : QString());
}

void SettingRow::setHindrance(const QString& sentence) {
    m_hindrance = sentence;
    refresh();
}

}  // namespace rivlen
