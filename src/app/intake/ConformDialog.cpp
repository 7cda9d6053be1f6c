#include "app/intake/ConformDialog.h"

#include <QComboBox>
#include <QDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QProgressBar>
#include <QTableWidget>
#include <QVBoxLayout>
#include <cmath>

#include "app/widgets/PanelParts.h"
#include "app/words/Say.h"
#include "app/work/OwnWork.h"
#include "core/media/MediaReader.h"
#include "core/media/Timecode.h"
#include "core/session/Conform.h"

namespace rivlen {

namespace {

class ConformDialog : public QDialog {
public:
    ConformDialog(Document& document, Work& work, std::string id, const QString& file, QWidget* parent)
        : QDialog(parent), m_document(document), m_id(std::move(id)), m_file(file), m_own(work, this) {
        const Reel& reel = *document.session().reel(m_id);
        setObjectName("conform");
        setWindowTitle(say("A newer version of ") + QString::fromStdString(reel.name));
        setAttribute(Qt::WA_DeleteOnClose);
        resize(620, 420);
        auto* column = new QVBoxLayout(this);
        m_how = new QComboBox;
        m_how->setObjectName("conformBy");
        m_how->addItems({say("by its sound"), say("by timecode")});
        auto* row = new QHBoxLayout;
        auto* label = new QLabel(say("Settings follow"));
        row->addWidget(label);
        row->addWidget(m_how);
        row->addStretch();
        column->addLayout(row);
        m_text = addPageText(column);
        m_text->setObjectName("conformText");
        m_bar = new QProgressBar;
        m_bar->setRange(0, 1000);
        column->addWidget(m_bar);
        m_table = new QTableWidget(0, 4);
        m_table->setTabKeyNavigation(false);  // Tab goes on to the next control, arrows go from cell to cell
        m_table->setObjectName("stretches");
        m_table->setHorizontalHeaderLabels({say("In the newer version"), say("Was at"), say("Moved by"), say("Alike")});
        m_table->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
        m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
        m_table->verticalHeader()->hide();
        m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
        m_table->setSelectionMode(QAbstractItemView::NoSelection);
        m_table->setShowGrid(false);
        column->addWidget(m_table, 1);
        auto* buttons = new QHBoxLayout;
        auto* cancel = makeSmallButton("conformCancel", say("Cancel"), say("Leaves everything as it is"));
        m_lay = makeSmallButton("conformLay", say("Lay it in"),
                                say("Replaces the file; the settings follow their sound. It can be undone"));
        buttons->addStretch();
        buttons->addWidget(cancel);
        buttons->addWidget(m_lay);
        column->addLayout(buttons);
        m_lay->setEnabled(false);
        connect(cancel, &QPushButton::clicked, this, &QDialog::close);
        connect(m_lay, &QPushButton::clicked, this, &ConformDialog::layIn);
        connect(m_how, &QComboBox::currentIndexChanged, this, &ConformDialog::list);
        connect(&document, &Document::changed, this, [this] {
            if (!m_document.session().reel(m_id)) close();
        });
        begin(reel);
    }

private:
    void begin(const Reel& reel) {
        m_text->setText(say("Comparing %1 with what is there…").arg(QFileInfo(m_file).fileName()));
        struct Answer {
            std::vector<AlignedStretch> bySound;
            std::optional<std::vector<AlignedStretch>> byTimecode;
        };
        const auto answer = std::make_shared<Answer>();
        m_own.submit(
            say("Comparing versions"),
            [this, answer, source = reel.source, file = m_file](Progress& progress, const Work::Post& post) {
                MediaReader older(source), newer(toPath(file));
                const auto &a = older.info(), &b = newer.info();
                if (a.timecodeSeconds && b.timecodeSeconds)
                    answer->byTimecode =
                        alignedByTimecode(*a.timecodeSeconds, a.duration(), *b.timecodeSeconds, b.duration());
                Progress shown(progress, 0, 1);
                shown.onProgress = [this, &progress, &post](double f) {
                    progress.report(f);
                    post([this, f] { m_bar->setValue(int(1000 * f)); });
                };
                answer->bySound = align(older, newer, shown);
            },
            [this, answer](const JobQueue::Outcome& o) {
                if (o.cancelled) return;
                m_bar->hide();
                if (!o.done) return m_text->setText(said(o.error));
                m_bySound = answer->bySound;
                m_byTimecode = answer->byTimecode;
                if (!m_byTimecode) m_how->removeItem(1);
                m_ready = true;
                list();
            },
            OwnWork::Failure::Owners);
    }

    const std::vector<AlignedStretch>& stretches() const {
        return m_how->currentIndex() == 1 && m_byTimecode ? *m_byTimecode : m_bySound;
    }

    void list() {
        if (!m_ready) return;
        const auto& all = stretches();
        const auto time = [](double s) { return QString::fromStdString(formatTime(s)); };
        m_table->setRowCount(int(all.size()));
        double found = 0, whole = 0;
        for (int i = 0; i < int(all.size()); ++i) {
            const auto& s = all[size_t(i)];
            whole += s.to - s.from;
            if (s.found) found += s.to - s.from;
            const QString texts[] = {
                time(s.from) + " – " + time(s.to), s.found ? time(s.from + s.shift) : say("new"),
                !s.found                    ? QString()
                : std::fabs(s.shift) < 5e-4 ? say("nothing")
                                            : say("%1 s %2")
                                                  .arg(std::fabs(s.shift), 0, 'f', 3)
                                                  .arg(s.shift > 0 ? say("earlier") : say("later")),
                s.found && m_how->currentIndex() == 0 ? QString("%1 %").arg(std::lround(100 * s.likeness)) : QString()};
            for (int c = 0; c < 4; ++c) {
                auto* item = new QTableWidgetItem(texts[c]);
                if (!s.found) item->setForeground(theme::attention);
                m_table->setItem(i, c, item);
            }
        }
        const Reel* reel = m_document.session().reel(m_id);
        if (!reel) return;
        const Conformed result = conform(*reel, all);
        const QString regions = result.regionsKept + result.regionsLost == 0
                                    ? say("There are no regions to move.")
                                    : say("Regions that follow: %1; lost with their sound: %2.")
                                          .arg(result.regionsKept)
                                          .arg(result.regionsLost);
        m_text->setText(found <= 0 ? say("Nothing of the reel was found in %1: it may be another recording. Laid "
                                         "in, it keeps only the settings for the whole reel.")
                                         .arg(QFileInfo(m_file).fileName())
                                   : say("%1 % of the newer version was there before. %2")
                                         .arg(std::lround(100 * found / std::max(whole, 1e-9)))
                                         .arg(regions));
        m_lay->setEnabled(true);
        m_lay->setDefault(true);
    }

    void layIn() {
        const auto all = stretches();
        m_document.replaceSource(m_id, m_file, [all](Reel& r) {
            const auto source = r.source;
            r = conform(r, all).reel;
            r.source = source;
        });
        close();
    }

    Document& m_document;
    std::string m_id;
    QString m_file;
    QComboBox* m_how;
    QLabel* m_text;
    QProgressBar* m_bar;
    QTableWidget* m_table;
    QPushButton* m_lay;
    std::vector<AlignedStretch> m_bySound;
    std::optional<std::vector<AlignedStretch>> m_byTimecode;
    bool m_ready = false;
    OwnWork m_own;
};

}  // namespace

void openConformDialog(Document& document, Work& work, const std::string& reelId, const QString& file,
                       QWidget* parent) {
    (new ConformDialog(document, work, reelId, file, parent))->QDialog::show();
}

}  // namespace rivlen
