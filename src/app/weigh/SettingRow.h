#pragma once
#include "app/document/Document.h"
#include "app/hearing/Hearing.h"
#include "app/reels/Reels.h"
#include "app/widgets/ValueRow.h"
#include "app/work/Work.h"

namespace rivlen {

/// One strength setting from the parameter table.
class SettingRow : public ValueRow {
    Q_OBJECT
public:
    SettingRow(Document& document, Reels& reels, Hearing& hearing, Work& work, const IsolationParameter& parameter,
               QWidget* parent = nullptr);

    /// Why the setting cannot be used now, one sentence; empty when it can.
    void setHindrance(const QString& sentence);

private:
    void refresh();
    Document& m_document;
    Reels& m_reels;
    Hearing& m_hearing;
    Work& m_work;
    const IsolationParameter& m_parameter;
    QString m_hindrance;
};

}  // namespace rivlen
