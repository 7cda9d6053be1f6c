#include "app/split/SceneControls.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

SceneControls::SceneControls(SceneDesk& desk, QWidget* parent) : QWidget(parent), m_desk(desk) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    addPageHeading(column, say("Learn this scene"));
    m_said = addPageText(column);
    m_said->setObjectName("scenesaid");
    m_along = new QProgressBar;
    m_along->setObjectName("learnalong");
    m_along->setRange(0, 1000);
    m_along->setTextVisible(false);
    m_along->setFixedHeight(6);
    m_along->setAccessibleName(say("How far the scene is learned"));
    column->addWidget(m_along);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    m_learn =
        makeSmallButton("learnscene", say("Learn it"),
                        say("Adapts the network to this recording, in a minute or two, beside what you do (Shift+L)"));
    m_without = makeSmallButton("withoutscene", say("Without it"), say("Goes back to the network as it came"));
    m_group = makeSmallButton("sceneingroup", say("Use in the group"), say("The other reels of this group use it too"));
    for (auto* b : {m_learn, m_without, m_group}) row->addWidget(b);
    row->addStretch();
    column->addLayout(row);
    connect(m_learn, &QPushButton::clicked, &m_desk, &SceneDesk::learn);
    connect(m_without, &QPushButton::clicked, this, [this] { m_desk.use({}); });
    connect(m_group, &QPushButton::clicked, &m_desk, &SceneDesk::useInGroup);
    connect(&m_desk, &SceneDesk::changed, this, &SceneControls::refresh);
    m_tick.setInterval(250);
    connect(&m_tick, &QTimer::timeout, this, [this] { m_along->setValue(int(m_desk.fraction() * 1000)); });
    refresh();
}

void SceneControls::refresh() {
    const bool busy = m_desk.learning();
    const QString said = m_desk.said(), hindrance = m_desk.hindrance();
    m_said->setText(busy              ? say("Learning; you can go on working.")
                    : !said.isEmpty() ? said
                    : !hindrance.isEmpty()
                        ? hindrance
                        : say("The network can learn from %1 how this place sounds. It is kept only where it proves "
                              "better on a part that it did not learn from.")
                              .arg(m_desk.fromProposals() ? say("the proposed spans") : say("the marked spans")));
    m_along->setVisible(busy);
    m_learn->setText(busy ? say("Stop") : say("Learn it"));
    m_learn->setEnabled(busy || hindrance.isEmpty());
    m_without->setVisible(!busy && m_desk.usesScene());
    m_group->setVisible(!busy && m_desk.othersInGroup() > 0);
    if (busy != m_tick.isActive()) busy ? m_tick.start() : m_tick.stop();
}

}  // namespace rivlen
