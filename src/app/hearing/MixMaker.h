#pragma once
#include <QObject>
#include <functional>
#include <memory>
#include <string>

#include "playback/MixFeed.h"

namespace rivlen {

/// Who makes what the transport plays as the mix: the rebuild, or, at a stage that asks for it, something in its place.
class MixMaker : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    virtual std::shared_ptr<Materials> materials() const = 0;
    virtual const std::string& materialsKey() const = 0;  ///< what they are made of
    virtual void planAnew() = 0;

    /// What plays in the place of the rebuild's plan; it is asked whenever that may have changed.
    using Instead = std::function<std::shared_ptr<const MixPlan>(const std::shared_ptr<const MixPlan>& rebuild)>;
    void playInstead(Instead instead) { m_instead = std::move(instead); }

protected:
    std::shared_ptr<const MixPlan> chosen(std::shared_ptr<const MixPlan> rebuild) const {
        return m_instead ? m_instead(rebuild) : rebuild;
    }

private:
    Instead m_instead;
};

}  // namespace rivlen
