#include "app/intake/ReelControls.h"
#include "app/widgets/Theme.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QHeaderView>
#include <QSignalBlocker>
#include <QVBoxLayout>
#include <cmath>

#include "app/intake/ConformDialog.h"
#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "core/media/Timecode.h"

namespace rivlen {

namespace {

QString describe(const Reel& reel, const ReelFacts& s) {
    if (s.missing)
        return say("The file %1 is not there. Connect its disk, or find it.")
            .arg(QString::fromStdString(reel.source.string()).toHtmlEscaped());
    if (!s.info) return say("Reading…");
    const MediaInfo& i = *s.info;
    QStringList rows;
    const auto add = [&rows](const QString& name, const QString& value) {
        rows << theme::sheet("<tr><td style='padding-right:14px'>%1</td><td style='color:@ink'>%2</td></tr>")
                    .arg(name, value);
    };
    add(say("Length"), QString::fromStdString(formatTime(i.duration())));
    add(say("Sound"),
        say("%1 kHz, %2, %3%4")
            .arg(i.sampleRate / 1000.0)
            .arg(said(i.layout), QString::fromStdString(i.codec), i.bits ? say(", %1 bit").arg(i.bits) : QString()));
    if (i.timecode) add(say("Timecode"), QString::fromStdString(*i.timecode));
    if (i.picture)
        add(say("Picture"),
            say("%1×%2, %3 frames/s").arg(i.picture->width).arg(i.picture->height).arg(i.picture->fps, 0, 'g', 5));
    if (s.inspection) {
        const auto number = [](double v) {
            return std::isfinite(v) && v > -190 ? QString::number(v, 'f', 1).replace('-', QChar(0x2212))
                                                : say("silent");
        };
        add(say("Loudness"), number(s.inspection->integratedLufs) + " LUFS");
        add(say("True peak"),
            number(s.inspection->truePeakDbtp) + say(" dBTP, floor ") + number(s.inspection->noiseFloorDbfs) + " dBFS");
    }
    return "<table cellspacing=2>" + rows.join("") + "</table>";
}

constexpr int kSortBy[] = {-1,
                           ReelsModel::Name,
                           ReelsModel::Group,
                           ReelsModel::Length,
                           ReelsModel::Timecode,
                           ReelsModel::Loudness,
                           ReelsModel::Faults};

}  // namespace

ReelControls::ReelControls(Document& document, Reels& reels, ReelReader& reader, Work& work, ReelsModel& model,
                           QWidget* foot, QWidget* parent)
    : QWidget(parent), m_document(document), m_reels(reels), m_reader(reader), m_work(work), m_model(model) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    auto* add = makeSmallButton("addRecordings", say("Add files…"),
                                say("Audio or video files (Ctrl+I), or drop files and folders on the window"));
    auto* folder = makeSmallButton("addFolder", say("Add a folder…"),
                                   say("All recordings in a folder and the folders in it (Ctrl+Shift+I)"));
    m_remove = makeSmallButton("removeReel", say("Remove"),
                               say("Takes the reel out of the session; its file stays where it is"));
    auto* table = makeSmallButton("reelTable", say("Table"),
                                  say("All reels with all facts, to sort, group and treat many at once (Y)"));
    for (auto* b : {add, folder, m_remove}) row->addWidget(b);
    column->addLayout(row);
    auto* second = new QHBoxLayout;
    m_search = new QLineEdit;
    m_search->setObjectName("searchReels");
    m_search->setPlaceholderText(say("Search names, groups, notes, faults"));
    m_search->setAccessibleName(m_search->placeholderText());
    m_search->setClearButtonEnabled(true);
    m_sort = new QComboBox;
    m_sort->setObjectName("sortReels");
    m_sort->setToolTip(say("The order of the list"));
    m_sort->addItems({say("as added"), say("by name"), say("by group"), say("by length"), say("by timecode"),
                      say("by loudness"), say("by faults")});
    second->addWidget(m_search, 1);
    second->addWidget(m_sort);
    column->addLayout(second);
    m_filter = new ReelsFilter(this);
    m_filter->setSourceModel(&model);
    m_filter->setSortRole(ReelsModel::kSortRole);
    m_list = new QTreeView;
    m_list->setObjectName("reels");
    m_list->setAccessibleName(say("Reels of this session"));
    m_list->setModel(m_filter);
    m_list->setRootIsDecorated(false);
    m_list->setUniformRowHeights(true);
    m_list->setHeaderHidden(true);
    m_list->setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::SelectedClicked);
    m_list->setMinimumHeight(110);
    for (int c = 0; c < ReelsModel::kColumns; ++c)
        m_list->setColumnHidden(c, c != ReelsModel::Name && c != ReelsModel::Group && c != ReelsModel::Length);
    m_list->header()->setStretchLastSection(false);
    m_list->header()->setSectionResizeMode(ReelsModel::Name, QHeaderView::Stretch);
    m_list->header()->setSectionResizeMode(ReelsModel::Group, QHeaderView::ResizeToContents);
    m_list->header()->setSectionResizeMode(ReelsModel::Length, QHeaderView::ResizeToContents);
    column->addWidget(m_list, 1);
    auto* files = new QHBoxLayout;
    m_find = makeSmallButton("findFile", say("Find the missing file…"), say("Says where the recording is now"));
    m_newer = makeSmallButton("newerVersion", say("Lay in a newer version…"),
                              say("Replaces the file by a shifted, trimmed or re-cut one; the settings follow"));
    files->addWidget(m_find);
    files->addWidget(m_newer);
    files->addWidget(table);
    column->addLayout(files);
    m_name = addPageHeading(column, "");
    m_facts = addPageText(column);
    m_facts->setObjectName("facts");
    m_facts->setTextFormat(Qt::RichText);
    auto* words = new QFormLayout;
    words->setSpacing(4);
    m_group = new QLineEdit;
    m_group->setObjectName("group");
    m_group->setPlaceholderText(say("none"));
    m_note = new QLineEdit;
    m_note->setObjectName("note");
    m_note->setPlaceholderText(say("none"));
    words->addRow(say("Group"), m_group);
    words->addRow(say("Note"), m_note);
    column->addLayout(words);
    column->addWidget(foot);

    connect(add, &QPushButton::clicked, this,
            [this] { m_reader.addFiles(QFileDialog::getOpenFileNames(this, say("Add recordings"))); });
    connect(folder, &QPushButton::clicked, this, [this] {
        if (const QString f = QFileDialog::getExistingDirectory(this, say("Add all recordings of a folder"));
            !f.isEmpty())
            m_reader.addFiles({f});
    });
    connect(m_remove, &QPushButton::clicked, this, [this] {
        if (m_document.reel()) m_document.removeReels({m_document.reel()->id});
    });
    connect(table, &QPushButton::clicked, this, &ReelControls::tableWanted);
    connect(m_find, &QPushButton::clicked, this, [this] {
        const QString file = QFileDialog::getOpenFileName(
            this, say("Find ") + QString::fromStdString(m_document.reel()->source.filename().string()));
        if (!file.isEmpty()) m_document.replaceSource(m_document.reel()->id, file);
    });
    connect(m_newer, &QPushButton::clicked, this, &ReelControls::conform);
    connect(m_search, &QLineEdit::textChanged, m_filter, &ReelsFilter::setWords);
    connect(m_sort, &QComboBox::currentIndexChanged, this, [this](int i) {
        m_filter->sort(kSortBy[i], kSortBy[i] == ReelsModel::Faults ? Qt::DescendingOrder : Qt::AscendingOrder);
    });
    connect(m_list->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid()) m_document.selectReel(m_model.id(m_filter->mapToSource(now).row()));
    });
    const auto words_ = [this](QLineEdit* edit, const QString& name, std::string Reel::*member) {
        connect(edit, &QLineEdit::editingFinished, this, [this, edit, name, member] {
            const Reel* r = m_document.reel();
            if (!r || !edit->isModified()) return;
            edit->setModified(false);
            m_document.editReels(name, {r->id},
                                 [&](Reel& reel) { reel.*member = edit->text().trimmed().toStdString(); });
        });
    };
    words_(m_group, say("Group reel"), &Reel::group);
    words_(m_note, say("Write a note"), &Reel::note);
    connect(&document, &Document::changed, this, &ReelControls::refresh);
    connect(&reels, &Reels::read, this, &ReelControls::refresh);
    refresh();
}

void ReelControls::refresh() {
    const Reel* reel = m_document.reel();
    const ReelFacts* state = m_reels.current();
    m_remove->setEnabled(reel);
    m_find->setVisible(reel && state->missing);
    m_newer->setVisible(reel && !state->missing);
    m_name->setText(reel ? QString::fromStdString(reel->name) : "");
    m_facts->setText(reel ? describe(*reel, *state) : say("No reels yet: add recordings or drop them here."));
    for (auto [edit, text] : {std::pair(m_group, reel ? reel->group : ""), std::pair(m_note, reel ? reel->note : "")}) {
        edit->setEnabled(reel);
        if (!edit->isModified()) edit->setText(QString::fromStdString(text));
    }
    const QSignalBlocker quiet(m_list->selectionModel());
    const QModelIndex at = reel ? m_filter->mapFromSource(m_model.index(m_model.rowOf(reel->id), 0)) : QModelIndex();
    if (m_list->currentIndex().row() != at.row() || !at.isValid()) {
        m_list->setCurrentIndex(at);
        if (at.isValid()) m_list->scrollTo(at);
        m_list->viewport()->update();
    }
}

void ReelControls::conform() {
    const Reel* reel = m_document.reel();
    if (!reel) return;
    const QString file =
        QFileDialog::getOpenFileName(this, say("A newer version of ") + QString::fromStdString(reel->name));
    if (!file.isEmpty()) openConformDialog(m_document, m_work, reel->id, file, window());
}

}  // namespace rivlen
