#pragma once
#include <QObject>
#include <QStringList>
#include <QTimer>

#include "app/document/Document.h"

namespace rivlen {

/// Where the document is kept: its file, the files opened lately, and a copy written some seconds after an edit that a
/// crash leaves behind.
class SessionFile : public QObject {
    Q_OBJECT
public:
    SessionFile(Document& document, Work& work, QObject* parent = nullptr);

    QString path() const { return m_path; }  ///< empty: never saved
    void begin();                            ///< a new session
    bool open(const QString& file);
    bool save(const QString& file);
    QStringList recent() const;
    /// A session that was not saved when the program ended last, or nothing.
    QString recoverable() const;
    void recover();

private:
    void keepCopy();
    void remember(const QString& file);
    Document& m_document;
    Work& m_work;
    QString m_path;
    QTimer m_wait;
};

}  // namespace rivlen
