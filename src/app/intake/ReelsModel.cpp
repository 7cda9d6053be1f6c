#include "app/intake/ReelsModel.h"

#include <cmath>

#include "app/widgets/Theme.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

ReelsModel::ReelsModel(Document& document, Reels& reels, QObject* parent)
    : QAbstractTableModel(parent), m_document(document), m_reels(reels) {
    m_soon.setSingleShot(true);
    m_soon.setInterval(50);
    connect(&m_soon, &QTimer::timeout, this, [this] {
        if (!m_ids.empty()) emit dataChanged(index(0, 0), index(int(m_ids.size()) - 1, kColumns - 1));
    });
    connect(&document, &Document::changed, this, &ReelsModel::refresh);
    connect(&reels, &Reels::read, this, &ReelsModel::refresh);
    connect(&reels, &Reels::stemsChanged, this, &ReelsModel::refresh);
    refresh();
}

void ReelsModel::refresh() {
    const auto& reels = m_document.session().reels;
    bool same = reels.size() == m_ids.size();
    for (size_t i = 0; same && i < reels.size(); ++i) same = reels[i].id == m_ids[i];
    if (same) {
        if (!m_soon.isActive()) m_soon.start();
        return;
    }
    const bool grown =
        reels.size() > m_ids.size() && std::equal(m_ids.begin(), m_ids.end(), reels.begin(),
                                                  [](const std::string& id, const Reel& r) { return id == r.id; });
    if (grown) {
        beginInsertRows({}, int(m_ids.size()), int(reels.size()) - 1);
        for (size_t i = m_ids.size(); i < reels.size(); ++i) m_ids.push_back(reels[i].id);
        endInsertRows();
        return;
    }
    beginResetModel();
    m_ids.clear();
    for (const Reel& r : reels) m_ids.push_back(r.id);
    endResetModel();
}

int ReelsModel::rowOf(const std::string& id) const {
    const auto at = std::find(m_ids.begin(), m_ids.end(), id);
    return at == m_ids.end() ? -1 : int(at - m_ids.begin());
}

QVariant ReelsModel::headerData(int section, Qt::Orientation orientation, int role) const {
    static const char* names[kColumns] = {QT_TRID_NOOP("Name"),
                                          QT_TRID_NOOP("Group"),
                                          QT_TRID_NOOP("Length"),
                                          QT_TRID_NOOP("Holds"),
                                          QT_TRID_NOOP("Faults"),
                                          QT_TRID_NOOP("Treatments"),
                                          QT_TRID_NOOP("State"),
                                          "LUFS",
                                          "dBTP",
                                          QT_TRID_NOOP("Floor"),
                                          QT_TRID_NOOP("Timecode"),
                                          QT_TRID_NOOP("Frames/s"),
                                          QT_TRID_NOOP("Sound"),
                                          QT_TRID_NOOP("Note")};
    static const char* tips[kColumns] = {QT_TRID_NOOP("Double-click to rename"),
                                         QT_TRID_NOOP("Double-click to put the reel into a group"),
                                         QT_TRID_NOOP("Hours, minutes, seconds"),
                                         QT_TRID_NOOP("Speech or music"),
                                         QT_TRID_NOOP("Found and not dismissed"),
                                         QT_TRID_NOOP("That are switched on"),
                                         QT_TRID_NOOP("Of the work on the reel"),
                                         QT_TRID_NOOP("Integrated loudness, LUFS (EBU R 128)"),
                                         QT_TRID_NOOP("True peak, dBTP (ITU-R BS.1770)"),
                                         QT_TRID_NOOP("Noise floor, dBFS"),
                                         QT_TRID_NOOP("Of the first sample or the first frame"),
                                         QT_TRID_NOOP("Of the picture"),
                                         QT_TRID_NOOP("Rate, channels, codec, bits"),
                                         QT_TRID_NOOP("Double-click to write one")};
    if (orientation != Qt::Horizontal) return {};
    return role == Qt::DisplayRole         ? QVariant(say(names[section]))
           : role == Qt::ToolTipRole       ? QVariant(say(tips[section]))
           : role == Qt::TextAlignmentRole ? QVariant(int(Qt::AlignLeft | Qt::AlignVCenter))
                                           : QVariant();
}

Qt::ItemFlags ReelsModel::flags(const QModelIndex& index) const {
    const bool typed = index.column() == Name || index.column() == Group || index.column() == Note;
    return QAbstractTableModel::flags(index) | (typed ? Qt::ItemIsEditable : Qt::NoItemFlags);
}

namespace {
QString decibels(double v) {
    return std::isfinite(v) && v > -190 ? QString::number(v, 'f', 1).replace('-', QChar(0x2212)) : say("silent");
}
}  // namespace

QString ReelsModel::treatmentLines(const Reel& reel, const ReelFacts& state) {
    QStringList lines;
    size_t index = 0;
    for (const Treatment& t : reel.treatments) {
        const auto& entry = findTreatment(t.id);
        QString line = QString("%1 %2 %3").arg(said(entry.name)).arg(t.amount).arg(entry.unit);
        if (!t.on) line += say(": off");
        else if (t.place != kRecordingPlace) line += say(": on the ") + said(t.place);
        else if (state.treated && index < state.treated->effects.size()) {
            const auto& effect = state.treated->effects[index];
            line +=
                effect.any() ? say(": took away ") + decibels(effect.removedDb) + " dBFS" : say(": does nothing here");
        }
        index += t.on && t.place == kRecordingPlace;
        lines << line;
    }
    return lines.join('\n');
}

QVariant ReelsModel::text(const Reel& reel, const ReelFacts& s, int column) const {
    const auto& i = s.info;
    switch (column) {
        case Name: return QString::fromStdString(reel.name);
        case Group: return QString::fromStdString(reel.group);
        case Note: return QString::fromStdString(reel.note);
        case Length: return i ? QString::fromStdString(formatDuration(i->duration())) : QString();
        case Sound:
            return i ? say("%1 kHz %2 %3%4")
                           .arg(i->sampleRate / 1000.0)
                           .arg(said(i->layout), QString::fromStdString(i->codec),
                                i->bits ? say(" %1 bit").arg(i->bits) : QString())
                     : QString();
        case Timecode: return i && i->timecode ? QString::fromStdString(*i->timecode) : QString();
        case Frames: return i && i->picture ? QString::number(i->picture->fps, 'g', 5) : QString();
        case Loudness: return s.inspection ? decibels(s.inspection->integratedLufs) : QString();
        case Peak: return s.inspection ? decibels(s.inspection->truePeakDbtp) : QString();
        case Floor: return s.inspection ? decibels(s.inspection->noiseFloorDbfs) : QString();
        case Holds: {
            const auto content = m_reels.content(reel);
            return content ? QString(contentName(*content)) : QString();
        }
        case Faults: {
            if (!s.diagnosis) return QString();
            QStringList kinds;
            for (const Finding& f : m_reels.findings(reel))
                if (const QString name = said(entryOf(f.kind).name); !kinds.contains(name)) kinds << name;
            return kinds.isEmpty() ? say("none") : kinds.join(", ");
        }
        case Treatments: {
            QStringList names;
            for (const Treatment& t : reel.treatments)
                if (t.on) names << said(findTreatment(t.id).name);
            return names.join(", ");
        }
        case State:
            return s.missing                            ? say("file missing")
                   : s.reading || !i                    ? say("reading")
                   : s.splitting                        ? say("splitting")
                   : !s.diagnosis                       ? say("looking for faults")
                   : m_reels.treatmentPending(reel)     ? say("to be treated")
                   : s.stems                            ? say("split")
                   : reel.recordingTreatments().empty() ? say("read")
                                                        : say("treated");
    }
    return {};
}

QVariant ReelsModel::number(const Reel& reel, const ReelFacts& s, int column) const {
    switch (column) {
        case Length: return s.info ? s.info->duration() : -1.0;
        case Timecode: return s.info ? s.info->timecodeSeconds.value_or(-1) : -1.0;
        case Frames: return s.info && s.info->picture ? s.info->picture->fps : 0.0;
        case Loudness: return s.inspection ? s.inspection->integratedLufs : -1000.0;
        case Peak: return s.inspection ? s.inspection->truePeakDbtp : -1000.0;
        case Floor: return s.inspection ? s.inspection->noiseFloorDbfs : -1000.0;
        case Faults: return s.diagnosis ? double(m_reels.findings(reel).size()) : -1.0;
        default: return text(reel, s, column).toString().toLower();
    }
}

QVariant ReelsModel::data(const QModelIndex& index, int role) const {
    const Reel* reel = index.isValid() && index.row() < int(m_ids.size())
                           ? m_document.session().reel(m_ids[size_t(index.row())])
                           : nullptr;
    if (!reel) return {};
    const ReelFacts& state = m_reels.of(reel->id);
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole: return text(*reel, state, index.column());
        case kSortRole: return number(*reel, state, index.column());
        case Qt::ForegroundRole:
            return state.missing            ? QVariant(theme::attention)
                   : index.column() == Name ? QVariant()
                                            : QVariant(theme::quietInk);
        case Qt::TextAlignmentRole:
            return index.column() == Length || (index.column() >= Loudness && index.column() <= Floor) ||
                           index.column() == Frames
                       ? QVariant(int(Qt::AlignRight | Qt::AlignVCenter))
                       : QVariant();
        case Qt::ToolTipRole:
            if (index.column() == Treatments) return treatmentLines(*reel, state);
            if (index.column() == Faults) {
                QStringList lines;
                for (const Finding& f : m_reels.findings(*reel)) lines << said(describe(f));
                return lines.mid(0, 20).join('\n');
            }
            return index.column() == Name ? QVariant(QString::fromStdString(reel->source.string())) : QVariant();
    }
    return {};
}

bool ReelsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid()) return false;
    const std::string words = value.toString().trimmed().toStdString();
    if (index.column() == Name && words.empty()) return false;
    const int column = index.column();
    m_document.editReels(column == Name    ? say("Rename reel")
                         : column == Group ? say("Group reel")
                                           : say("Write a note"),
                         {m_ids[size_t(index.row())]}, [&](Reel& r) {
                             (column == Name ? r.name : column == Group ? r.group : r.note) = words;
                         });
    return true;
}

void ReelsFilter::setWords(const QString& text) {
    m_words = text.toLower().split(' ', Qt::SkipEmptyParts);
    invalidateFilter();
}

bool ReelsFilter::lessThan(const QModelIndex& a, const QModelIndex& b) const {
    const QVariant left = a.data(sortRole()), right = b.data(sortRole());
    if (left.typeId() != QMetaType::QString) return QSortFilterProxyModel::lessThan(a, b);
    return m_order.compare(left.toString(), right.toString()) < 0;
}

bool ReelsFilter::filterAcceptsRow(int row, const QModelIndex& parent) const {
    if (m_words.isEmpty()) return true;
    QString all;
    for (int c : {ReelsModel::Name, ReelsModel::Group, ReelsModel::Holds, ReelsModel::Faults, ReelsModel::Treatments,
                  ReelsModel::State, ReelsModel::Timecode, ReelsModel::Note})
        all += sourceModel()->index(row, c, parent).data().toString().toLower() + '\n';
    return std::all_of(m_words.begin(), m_words.end(), [&](const QString& word) { return all.contains(word); });
}

}  // namespace rivlen
