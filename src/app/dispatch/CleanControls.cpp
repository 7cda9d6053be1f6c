#include "app/dispatch/CleanControls.h"

#include <QHBoxLayout>

#include "app/widgets/AskFolder.h"
#include "app/words/Say.h"
#include "core/session/CleanVoice.h"

namespace rivlen {

CleanControls::CleanControls(Document& document, CleanDesk& desk, QWidget* parent)
    : QWidget(parent), m_document(document), m_desk(desk) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 4, 0, 0);
    m_clean = new QPushButton(say("Clean the voice"));
    m_clean->setObjectName("cleanvoice");
    m_clean->setToolTip(say(
        "In one go: treats what diagnosis is sure of, splits, takes the strength beside, brings the voice to -23 LUFS "
        "and delivers it beside the recording, a picture with its new sound (Ctrl+Shift+Return). All of it stays to be "
        "changed; one undo takes the settings back"));
    m_purpose = new QComboBox;
    m_purpose->setObjectName("voicepurpose");
    m_purpose->setAccessibleName(say("Strength of the clean voice"));
    m_purpose->setToolTip(say("How strongly the voice is isolated: as weighing suggests, or as a preset says"));
    m_purpose->addItem(say("as suggested"), "");
    for (const auto& p : voicePurposes()) m_purpose->addItem(said(p.name), p.id);
    row->addWidget(m_clean, 1);
    row->addWidget(m_purpose, 1);
    connect(m_clean, &QPushButton::clicked, this, [this] { cleanVoiceOf(m_desk, window()); });
    connect(m_purpose, &QComboBox::activated, this,
            [this](int i) { m_desk.setPurpose(m_purpose->itemData(i).toString().toStdString()); });
    connect(&document, &Document::changed, this, &CleanControls::refresh);
    connect(&desk, &CleanDesk::changed, this, &CleanControls::refresh);
    refresh();
}

void CleanControls::refresh() {
    m_clean->setEnabled(m_document.reel() && !m_desk.busy());
    m_purpose->setCurrentIndex(std::max(0, m_purpose->findData(QString::fromStdString(m_desk.purpose()))));
}

void cleanVoiceOf(CleanDesk& desk, QWidget* window) {
    QString folder = desk.usualFolder();
    if (folder.isEmpty()) folder = askFolder(window, say("Deliver the clean voice to"), "dispatch");
    if (!folder.isEmpty()) desk.clean(folder);
}

}  // namespace rivlen
