#include "app/weigh/GiveStrengthDialog.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QPointer>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/isolation/Weighing.h"
#include "core/media/MediaReader.h"

namespace rivlen {

namespace {

enum Column { kName, kSimilar, kSpill, kDamage, kColumns };

QString change(double before, double after, int decimals, const QString& unit) {
    const auto number = [&](double v) { return QString::number(v, 'f', decimals).replace('-', QChar(0x2212)); };
    return QString("%1 %2 %3%4").arg(number(before), QChar(0x2192), number(after), unit);
}

}  // namespace

GiveStrengthDialog::GiveStrengthDialog(Document& document, Reels& reels, Splitting& splitting, Work& work,
                                       IsolationSettings settings, QWidget* parent)
    : QDialog(parent),
      m_document(document),
      m_reels(reels),
      m_splitting(splitting),
      m_work(work),
      m_settings(std::move(settings)),
      m_own(work, this) {
    setObjectName("givestrengthdialog");
    setAttribute(Qt::WA_DeleteOnClose);
    setWindowTitle(say("Give strength to reels"));
    resize(720, 420);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(18, 16, 18, 14);
    column->setSpacing(10);
    QStringList values;
    for (const auto& p : isolationParameters())
        if (m_settings.*p.value != p.neutral || p.value == &IsolationSettings::depth)
            values << QString("%1 %2").arg(p.name, said(describeValue(p, m_settings.*p.value)));
    if (!isNeutral(m_settings.bandBias)) values << say("Band bias");
    auto* what = new QLabel(say("%1 for the %2 of:").arg(values.join(", "), said(m_settings.stem)));
    what->setFont(theme::font(14, QFont::DemiBold));
    what->setWordWrap(true);
    column->addWidget(what);
    m_table = new QTableWidget(int(document.session().reels.size()), kColumns);
    m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
    m_table->setObjectName("reels");
    m_table->setAccessibleName(say("Reels"));
    m_table->setHorizontalHeaderLabels(
        {say("Reel"), say("Like this reel?"), say("Spill before and after"), say("Damage")});
    m_table->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    m_table->horizontalHeader()->setSectionResizeMode(kName, QHeaderView::Stretch);
    m_table->verticalHeader()->hide();
    m_table->setShowGrid(false);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    column->addWidget(m_table, 1);
    m_state = new QLabel;
    m_state->setWordWrap(true);
    m_state->setStyleSheet(theme::sheet("color: @quiet"));
    auto* last = new QHBoxLayout;
    auto* leave = new QPushButton(say("Leave them"));
    leave->setObjectName("leave");
    m_give = new QPushButton;
    m_give->setObjectName("give");
    m_give->setDefault(true);
    last->addWidget(m_state, 1);
    last->addWidget(leave);
    last->addWidget(m_give);
    column->addLayout(last);
    for (const Reel& reel : document.session().reels) {
        m_rows.push_back({reel.id, {}, {}, {}, {}});
        const int r = int(m_rows.size()) - 1;
        for (int c = 0; c < kColumns; ++c) m_table->setItem(r, c, new QTableWidgetItem);
        auto* name = m_table->item(r, kName);
        name->setText(QString::fromStdString(reel.name));
        name->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsSelectable);
        name->setCheckState(reel.id == document.session().current ? Qt::Checked : Qt::Unchecked);
    }
    m_touched.resize(m_rows.size());
    connect(m_table, &QTableWidget::itemChanged, this, [this](QTableWidgetItem* item) {
        if (item->column() != kName) return;
        m_touched[size_t(item->row())] = true;
        count();
    });
    connect(leave, &QPushButton::clicked, this, &QDialog::reject);
    connect(m_give, &QPushButton::clicked, this, [this] {
        const auto ids = ticked();
        m_document.editReels(say("Give strength to reels"), ids, [this](Reel& r) {
            r.stem = m_settings.stem;
            r.region = -1;
            r.timeline().base = m_settings;
        });
        m_work.report(ids.size() == 1 ? say("One reel now has this strength.")
                                      : say("%1 reels now have this strength.").arg(ids.size()));
        accept();
    });
    measure();
    count();
}

void GiveStrengthDialog::measure() {
    // The reel itself comes first, since the others are likened to it.
    std::vector<size_t> order;
    for (size_t i = 0; i < m_rows.size(); ++i)
        order.insert(m_rows[i].id == m_document.session().current ? order.begin() : order.end(), i);
    const auto model = std::make_shared<std::optional<Likeness>>();
    for (size_t i : order) {
        const Reel reel = *m_document.session().reel(m_rows[i].id);
        const auto stems = m_splitting.finishedStems(reel);
        if (!stems) {
            m_rows[i].hindrance = say("not split yet");
            fill(i);
            continue;
        }
        if (const std::string whole = stemOfPart(m_settings.stem); !whole.empty() && !stems->parts(whole)) {
            m_rows[i].hindrance = say("its %1 is not taken apart yet").arg(said(whole));
            fill(i);
            continue;
        }
        StrengthTimeline before = reel.strength[wantedPlace(m_settings.stem)], after = before;
        after.base = m_settings;
        m_own.submit(
            say("Weighing ") + QString::fromStdString(reel.name),
            [this, i, reel, stems, before, after, model, file = m_reels.heardFile(reel)](Progress& progress,
                                                                                         const Work::Post& post) {
                MediaReader reader(file);
                const int64_t length = std::min(reader.frames(), int64_t(kMost * reader.sampleRate())),
                              first = (reader.frames() - length) / 2;
                const int wanted = int(stemPlace(after.base.stem));
                const auto cells = [&](const StrengthTimeline& timeline) {
                    progress.throwIfCancelled();
                    auto readers = stems->openAll(after.base.stem);
                    return readSpanCells(reader, readers, timeline, wanted, first, length);
                };
                Row row{reel.id, {}, {}, {}, {}};
                StrengthTimeline neutral;
                neutral.base.stem = after.base.stem;
                const SpanCells plain = cells(neutral), now = before.uses("room_keep") ? cells(before) : plain,
                                then = after.uses("room_keep") ? cells(after) : plain;
                const Likeness mine = likenessOf(plain);
                if (!*model) *model = mine;
                row.distance = distance(**model, mine);
                row.before = Weigher(now).weigh(before);
                progress.throwIfCancelled();
                row.after = Weigher(then).weigh(after);
                post([this, i, row] {
                    m_rows[i] = row;
                    fill(i);
                    count();
                });
            },
            [this, i](const JobQueue::Outcome& o) {
                if (!o.done && !o.cancelled) {
                    m_rows[i].hindrance = said(o.error);
                    fill(i);
                }
                count();
            },
            OwnWork::Failure::Owners);
    }
}

void GiveStrengthDialog::fill(size_t i) {
    const Row& row = m_rows[i];
    const QSignalBlocker quiet(m_table);
    const bool itself = row.id == m_document.session().current;
    auto* name = m_table->item(int(i), kName);
    if (row.distance && !m_touched[i] && *row.distance < kAlike) name->setCheckState(Qt::Checked);
    m_table->item(int(i), kSimilar)
        ->setText(!row.hindrance.isEmpty() ? row.hindrance
                  : itself                 ? say("this one")
                                           : say("%1, %2 dB apart")
                                 .arg(*row.distance < kAlike ? say("yes") : say("no"))
                                 .arg(*row.distance, 0, 'f', 1));
    if (row.before && row.after) {
        m_table->item(int(i), kSpill)->setText(change(row.before->spillDb, row.after->spillDb, 1, " dB"));
        m_table->item(int(i), kDamage)->setText(change(row.before->damage.total, row.after->damage.total, 0, ""));
    }
}

void GiveStrengthDialog::count() {
    const size_t n = ticked().size();
    m_give->setText(n == 1 ? say("Give it to one reel") : say("Give it to %1 reels").arg(n));
    m_give->setEnabled(n > 0);
    m_state->setText(
        busy() ? say("Weighing the reels…")
               : say("Measured over up to a minute of each reel. Similar ones are ticked; one undo takes all back."));
}

std::vector<std::string> GiveStrengthDialog::ticked() const {
    std::vector<std::string> ids;
    for (size_t i = 0; i < m_rows.size(); ++i)
        if (m_table->item(int(i), kName)->checkState() == Qt::Checked) ids.push_back(m_rows[i].id);
    return ids;
}

}  // namespace rivlen
