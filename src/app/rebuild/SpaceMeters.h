#pragma once
#include <QComboBox>
#include <QLabel>

#include "app/rebuild/SpaceListening.h"

namespace rivlen {

/// Every channel of the mix by itself: true peak, its highest, momentary loudness; how alike two of them are; and where
/// the whole comes from.
class SpaceMeters : public QWidget {
    Q_OBJECT
public:
    explicit SpaceMeters(SpaceListening& listening, QWidget* parent = nullptr);

protected:
    void showEvent(QShowEvent*) override { m_listening.look(this, MixFeed::Measured::Everything); }
    void hideEvent(QHideEvent*) override { m_listening.look(this, MixFeed::Measured::Nothing); }

private:
    class Bars;
    void refresh();
    SpaceListening& m_listening;
    Bars* m_bars;
    QComboBox *m_one, *m_other;
    QLabel *m_alike, *m_loud, *m_whence;
    QStringList m_names;
};

}  // namespace rivlen
