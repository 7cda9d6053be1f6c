#pragma once
#include <QObject>
#include <QString>

#include "app/work/Work.h"

namespace rivlen {

/// Networks from elsewhere that come and go.
class InstalledNetworks : public QObject {
    Q_OBJECT
public:
    explicit InstalledNetworks(Work& work, QObject* parent = nullptr);
    /// Checks a network in a process of its own and installs it; says what came of it.
    void install(const QString& card);
    void remove(const std::string& id);

signals:
    void changed();

private:
    Work& m_work;
};

}  // namespace rivlen
