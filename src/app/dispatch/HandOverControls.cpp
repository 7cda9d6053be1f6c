#include "app/dispatch/HandOverControls.h"

#include <QLabel>

#include "app/widgets/AskFolder.h"
#include "app/widgets/PanelParts.h"

#include "app/reels/StemExport.h"
#include "app/words/Say.h"

namespace rivlen {

HandOverControls::HandOverControls(Document& document, Reels& reels, Work& work, DispatchDesk& desk, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_work(work), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 10, 0, 0);
    column->setSpacing(8);
    addPageHeading(column, say("Lanes for the next department"));
    addPageText(
        column,
        say("A folder with each clip of each lane as a WAV with handles, event lists that put them in place (CMX "
            "3600, AES31-3, OpenTimelineIO), the stems, markers and regions as a table and as labels, and a "
            "manifest that says what is what."));
    auto* row = new QHBoxLayout;
    row->addWidget(new QLabel(say("Handles")));
    m_handles = new QDoubleSpinBox;
    m_handles->setObjectName("handles");
    m_handles->setAccessibleName(say("Handles"));
    m_handles->setRange(0, 60);
    m_handles->setDecimals(1);
    m_handles->setValue(2);
    m_handles->setSuffix(" s");
    m_handles->setToolTip(say("Sound before and after each clip, as far as there is any"));
    row->addWidget(m_handles);
    m_handOver = new QPushButton(say("Hand over…"));
    m_handOver->setObjectName("handover");
    row->addWidget(m_handOver, 1);
    column->addLayout(row);
    column->addSpacing(14);
    addPageHeading(column, say("Stems alone"));
    addPageText(
        column,
        say("Dialogue, music and ambience of this reel as they were weighed, without the rebuild; they sum to the "
            "recording."));
    auto* stems = new QHBoxLayout;
    m_stemFormat = new QComboBox;
    m_stemFormat->setObjectName("format");
    m_stemFormat->setAccessibleName(say("Format of the stems"));
    m_stemFormat->addItem(say("WAV, 32-bit float"), QStringList{"wav", "32f"});
    m_stemFormat->addItem(say("WAV, 24 bit"), QStringList{"wav", "24"});
    m_stemFormat->addItem(say("FLAC, 24 bit"), QStringList{"flac", "24"});
    m_export = new QPushButton(say("Export stems…"));
    m_export->setObjectName("export");
    stems->addWidget(m_stemFormat);
    stems->addWidget(m_export, 1);
    column->addLayout(stems);
    column->addStretch();
    connect(m_handOver, &QPushButton::clicked, this, [this] {
        if (const QString folder = askFolder(this, say("Hand over to"), "handover"); !folder.isEmpty())
            m_desk.handOver(folder, m_handles->value());
    });
    connect(m_export, &QPushButton::clicked, this, [this] {
        const QString folder = askFolder(this, say("Export stems to"), "stems");
        const QStringList words = m_stemFormat->currentData().toStringList();
        if (!folder.isEmpty())
            exportStems(m_document, m_reels, m_work, folder,
                        AudioFormat::parse(words[0].toStdString(), words[1].toStdString()));
    });
    connect(&m_desk, &DispatchDesk::changed, this, &HandOverControls::refresh);
    connect(&m_reels, &Reels::stemsChanged, this, &HandOverControls::refresh);
    refresh();
}

void HandOverControls::refresh() {
    const ReelFacts* s = m_reels.current();
    const bool stems = m_document.reel() && s->stems && s->stems->finished();
    m_export->setEnabled(stems);
    m_stemFormat->setEnabled(stems);
    m_export->setToolTip(stems ? say("At the strength weighed for the %1 (Ctrl+E)").arg(said(m_document.reel()->stem))
                               : say("Split the reel first; then its stems can be exported."));
    m_handOver->setEnabled(m_document.reel() != nullptr);
}

}  // namespace rivlen
