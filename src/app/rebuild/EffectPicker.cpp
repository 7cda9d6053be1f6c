#include "app/rebuild/EffectPicker.h"
#include "app/widgets/Theme.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"

namespace rivlen {

EffectPicker::EffectPicker(EffectDesk& effects, QWidget* parent) : QDialog(parent), m_effects(effects) {
    setObjectName("effectpicker");
    setAttribute(Qt::WA_DeleteOnClose);
    setWindowTitle(say("Add an effect"));
    resize(720, 520);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(10);
    m_search = new QLineEdit;
    m_search->setObjectName("effectsearch");
    m_search->setAccessibleName(say("Part of the name, the maker or the class"));
    m_search->setPlaceholderText(say("Part of the name, the maker or the class"));
    m_search->setClearButtonEnabled(true);
    column->addWidget(m_search);
    const auto list = [](const char* name, const QString& says) {
        auto* l = new QListWidget;
        l->setObjectName(name);
        l->setAccessibleName(says);
        l->setStyleSheet("QListWidget::item { padding: 3px 8px; }");
        return l;
    };
    m_kinds = list("effectkinds", say("Classes of effects"));
    m_kinds->setFixedWidth(190);
    m_list = list("effectlist", say("Effects"));
    auto* across = new QHBoxLayout;
    across->addWidget(m_kinds);
    across->addWidget(m_list, 1);
    column->addLayout(across, 1);
    m_about = addPageText(column);
    m_about->setObjectName("effectabout");
    m_about->setMinimumHeight(48);
    m_about->setAlignment(Qt::AlignTop);
    auto* buttons = new QHBoxLayout;
    auto* again =
        makeSmallButton("effectsagain", say("Look again"), say("Reads the list anew, after something was installed"));
    m_add = new QPushButton(say("Try and add"));
    m_add->setObjectName("effectadd");
    m_add->setDefault(true);
    auto* close = new QPushButton(say("Close"));
    close->setAutoDefault(false);
    again->setAutoDefault(false);
    buttons->addWidget(again);
    buttons->addStretch();
    buttons->addWidget(close);
    buttons->addWidget(m_add);
    column->addLayout(buttons);
    m_search->installEventFilter(this);
    connect(m_search, &QLineEdit::textChanged, this, &EffectPicker::fill);
    connect(m_kinds, &QListWidget::currentRowChanged, this, &EffectPicker::fill);
    connect(m_list, &QListWidget::currentRowChanged, this, &EffectPicker::describe);
    connect(m_list, &QListWidget::itemActivated, this, &EffectPicker::add);
    connect(m_add, &QPushButton::clicked, this, &EffectPicker::add);
    connect(close, &QPushButton::clicked, this, &QDialog::reject);
    connect(again, &QPushButton::clicked, &effects, &EffectDesk::readAgain);
    connect(&effects, &EffectDesk::changed, this, &EffectPicker::fill);
    connect(&effects, &EffectDesk::added, this, &QDialog::accept);
    fill();
    m_search->setFocus();
}

// The arrows of the search field walk through what was found.
bool EffectPicker::eventFilter(QObject* of, QEvent* e) {
    if (e->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(e)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            m_list->setCurrentRow(
                std::clamp(m_list->currentRow() + (key == Qt::Key_Down ? 1 : -1), 0, std::max(0, m_list->count() - 1)));
            return true;
        }
    }
    return QDialog::eventFilter(of, e);
}

void EffectPicker::fill() {
    const auto& all = m_effects.installed();
    if (m_filled != all.size() || m_kinds->count() == 0) {
        const QSignalBlocker quiet(m_kinds);
        m_filled = all.size();
        m_kinds->clear();
        std::map<QString, int> kinds;
        for (const auto& f : all) ++kinds[QString::fromStdString(f.kind)];
        m_kinds->addItem(say("All   %1").arg(all.size()));
        for (const auto& [kind, count] : kinds) {
            auto* item = new QListWidgetItem(QString("%1   %2").arg(kind).arg(count), m_kinds);
            item->setData(Qt::UserRole, kind);
        }
        m_kinds->setCurrentRow(0);
    }
    const QString kind = m_kinds->currentItem() ? m_kinds->currentItem()->data(Qt::UserRole).toString() : QString();
    const QStringList words = m_search->text().split(' ', Qt::SkipEmptyParts);
    const std::string was = chosen() ? chosen()->uri : "";
    const int channels = m_effects.channels();
    m_shown.clear();
    for (const auto& f : all) {
        const QString text = QString::fromStdString(f.name + " " + f.maker + " " + f.kind);
        const bool found = std::all_of(words.begin(), words.end(),
                                       [&](const QString& w) { return text.contains(w, Qt::CaseInsensitive); });
        if (found && (kind.isEmpty() || kind.toStdString() == f.kind)) m_shown.push_back(&f);
    }
    // Those that can stand here first.
    std::stable_partition(m_shown.begin(), m_shown.end(), [&](const auto* f) { return misfit(*f, channels).empty(); });
    const QSignalBlocker quiet(m_list);
    m_list->clear();
    int row = 0;
    for (size_t i = 0; i < m_shown.size(); ++i) {
        auto* item = new QListWidgetItem(QString::fromStdString(m_shown[i]->name), m_list);
        if (!misfit(*m_shown[i], channels).empty()) item->setForeground(theme::named("dim"));
        if (m_shown[i]->uri == was) row = int(i);
    }
    m_list->setCurrentRow(m_shown.empty() ? -1 : row);
    describe();
}

const EffectFacts* EffectPicker::chosen() const {
    const int row = m_list->currentRow();
    return row < 0 || row >= int(m_shown.size()) ? nullptr : m_shown[size_t(row)];
}

void EffectPicker::describe() {
    const EffectFacts* f = chosen();
    const std::string why = f ? misfit(*f, m_effects.channels()) : "";
    m_add->setEnabled(f && why.empty() && !m_effects.trying());
    if (m_effects.reading()) return m_about->setText(say("The effects of this machine are being read…"));
    if (m_effects.trying()) return m_about->setText(say("It is tried in a process of its own…"));
    if (!f)
        return m_about->setText(
            m_effects.installed().empty()
                ? say("No LV2 effect is installed here. Debian's packages whose names end in -lv2 bring "
                      "them; then look again.")
                : say("No effect has that in its name."));
    const auto many = [](int n) { return n == 1 ? say("one channel") : say("%1 channels").arg(n); };
    const QString in = many(f->inputs), out = many(f->outputs);
    m_about->setText(QString("%1, %2%3. %4")
                         .arg(QString::fromStdString(f->kind), in == out ? in : in + say(" to ") + out,
                              f->maker.empty() ? QString() : say(", by ") + QString::fromStdString(f->maker),
                              why.empty() ? say("It is tried with silence, noise and full scale before it is let in.")
                                          : say("It cannot stand here: ") + said(why) + "."));
}

void EffectPicker::add() {
    if (const EffectFacts* f = chosen(); f && misfit(*f, m_effects.channels()).empty()) m_effects.add(*f);
}

}  // namespace rivlen
