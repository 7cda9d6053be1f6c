#include "app/dispatch/DeliveriesModel.h"

#include <algorithm>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"

namespace rivlen {

namespace {

using State_ = DispatchDesk::Delivery::State;

QString stateText(const DispatchDesk::Delivery& d) {
    switch (d.state) {
        case State_::Waiting: return say("waiting");
        case State_::AtWork: return say("at work");
        case State_::Delivered: return d.current ? say("delivered") : say("changed since");
        case State_::HeldBack: return say("held back");
        case State_::Failed: return say("failed");
    }
    return {};
}

QString figure(double v) { return QString::number(v, 'f', 1).replace('-', QChar(0x2212)); }

QString strengthText(const std::string& id) {
    if (id.empty()) return say("the reel's own");
    for (const auto& s : deliveryStrengths())
        if (id == s.id) return said(s.name);
    return say("candidate %1").arg(QString::fromStdString(id));
}

}  // namespace

DeliveriesModel::DeliveriesModel(Document& document, Reels& reels, DeliverablesDesk& desk, DispatchDesk& dispatch,
                                 QObject* parent)
    : QAbstractTableModel(parent), m_document(document), m_reels(reels), m_desk(desk), m_dispatch(dispatch) {
    connect(&desk, &DeliverablesDesk::changed, this, &DeliveriesModel::follow);
    connect(&dispatch, &DispatchDesk::changed, this, &DeliveriesModel::follow);
    follow();
}

void DeliveriesModel::follow() {
    const Session& session = m_document.session();
    if (session.stage != stage::dispatch) return;  // nobody looks
    std::vector<Row> rows;
    for (const Reel& reel : session.reels)
        if (m_desk.allReels() || reel.id == session.current)
            for (size_t i = 0; i < m_desk.deliverables().size(); ++i) rows.push_back({reel.id, int(i)});
    m_made = m_dispatch.deliveries();
    if (rows != m_rows) {
        beginResetModel();
        m_rows = std::move(rows);
        endResetModel();
    } else if (!m_rows.empty()) {
        emit dataChanged(index(0, 0), index(int(m_rows.size()) - 1, kColumns - 1));
    }
}

int DeliveriesModel::rowOf(const std::string& reel, int deliverable) const {
    const auto found = std::find(m_rows.begin(), m_rows.end(), Row{reel, deliverable});
    return found == m_rows.end() ? -1 : int(found - m_rows.begin());
}

const DispatchDesk::Delivery* DeliveriesModel::delivery(const Row& row) const {
    const auto found = m_made.find({row.reel, m_desk.deliverables()[size_t(row.deliverable)].name});
    return found == m_made.end() ? nullptr : &found->second;
}

QString DeliveriesModel::text(const Row& row, int column) const {
    const Deliverable& d = m_desk.deliverables()[size_t(row.deliverable)];
    const Reel* reel = m_document.session().reel(row.reel);
    const auto* made = delivery(row);
    const DeliveryReport* report = made && made->report ? &*made->report : nullptr;
    switch (column) {
        case Reel_: return reel ? QString::fromStdString(reel->name) : QString();
        case Name: return QString::fromStdString(d.name);
        case Holds: return said(deliveryContent(d.holds).name);
        case Strength: return strengthText(d.candidate);
        case Loudness:
            if (report) return report->integrated ? figure(*report->integrated) : say("silent");
            return d.loudness ? say("to ") + figure(*d.loudness) : say("as it is");
        case Peak:
            if (report) return report->truePeak ? figure(*report->truePeak) : say("silent");
            return d.loudness ? say("below ") + figure(d.ceiling) : say("as it is");
        case Checks: {
            if (!report) return {};
            const auto good = std::count_if(report->checks.begin(), report->checks.end(),
                                            [](const DeliveryCheck& c) { return c.passed; });
            return good == long(report->checks.size())
                       ? say("all %1").arg(good)
                       : say("%1 of %2 failed").arg(long(report->checks.size()) - good).arg(report->checks.size());
        }
        case State: return made ? stateText(*made) : d.on ? say("to be made") : say("left out");
        case File:
            if (report && !report->heldBack) return QString::fromStdString(report->path.filename().string());
            return reel ? m_desk.fileName(d, *reel) : QString();
        default: return {};
    }
}

QVariant DeliveriesModel::sortKey(const Row& row, int column) const {
    const auto* made = delivery(row);
    const Deliverable& d = m_desk.deliverables()[size_t(row.deliverable)];
    if (column == Loudness)
        return made && made->report ? made->report->integrated.value_or(-200) : d.loudness.value_or(-300);
    if (column == Peak) return made && made->report ? made->report->truePeak.value_or(-200) : -300;
    return text(row, column);
}

QVariant DeliveriesModel::data(const QModelIndex& index, int role) const {
    const Row& row = m_rows[size_t(index.row())];
    const Deliverable& d = m_desk.deliverables()[size_t(row.deliverable)];
    const auto* made = delivery(row);
    switch (role) {
        case Qt::DisplayRole: return text(row, index.column());
        case kSortRole: return sortKey(row, index.column());
        case Qt::CheckStateRole:
            return index.column() == Name ? QVariant(d.on ? Qt::Checked : Qt::Unchecked) : QVariant();
        case Qt::TextAlignmentRole:
            return index.column() == Loudness || index.column() == Peak ? int(Qt::AlignRight | Qt::AlignVCenter)
                                                                        : int(Qt::AlignLeft | Qt::AlignVCenter);
        case Qt::ToolTipRole:
            if (index.column() == Holds) return said(deliveryContent(d.holds).explanation);
            if (index.column() == State && made && !made->error.empty()) return said(made->error);
            if (index.column() == Checks && made && made->report) {
                QStringList lines;
                for (const auto& c : made->report->checks)
                    lines << QString("%1 %2: %3")
                                 .arg(c.passed ? QChar(0x2713) : QChar(0x2717))
                                 .arg(said(c.name), said(c.detail));
                return lines.join("\n");
            }
            return text(row, index.column());
        case Qt::ForegroundRole:
            if (index.column() == State || index.column() == Checks) {
                if (!made) return theme::quietInk;
                if (made->state == State_::Delivered) return made->current ? theme::good : theme::quietInk;
                if (made->state == State_::HeldBack || made->state == State_::Failed) return theme::attention;
            }
            return d.on ? theme::ink : theme::quietInk;
        default: return {};
    }
}

QVariant DeliveriesModel::headerData(int section, Qt::Orientation orientation, int role) const {
    static const char* names[kColumns] = {QT_TRID_NOOP("Reel"),
                                          QT_TRID_NOOP("Deliverable"),
                                          QT_TRID_NOOP("Holds"),
                                          QT_TRID_NOOP("Strength"),
                                          "LUFS",
                                          "dBTP",
                                          QT_TRID_NOOP("Checks"),
                                          QT_TRID_NOOP("State"),
                                          QT_TRID_NOOP("File")};
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    return say(names[section]);
}

Qt::ItemFlags DeliveriesModel::flags(const QModelIndex& index) const {
    const Qt::ItemFlags plain = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    return index.column() == Name ? plain | Qt::ItemIsUserCheckable : plain;
}

bool DeliveriesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::CheckStateRole || index.column() != Name) return false;
    m_desk.setOn({at(index.row()).deliverable}, value.toInt() == Qt::Checked);
    return true;
}

}  // namespace rivlen
