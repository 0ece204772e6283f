#pragma once
// Choosing one of several values: each stands beside its words, so that neither the order of the rows nor
// that of an enumeration means anything.

#include "app/bench/panel.h"

#include <QComboBox>
#include <algorithm>
#include <cassert>
#include <concepts>
#include <vector>

namespace zesty {

template <class T> struct Choice {
    QString words;
    T value;
};

/// Every value of an enumeration by its word.
template <class Enum> std::vector<Choice<Enum>> every() {
    std::vector<Choice<Enum>> all;
    for (std::size_t i = 0; i < words_of<Enum>.size(); ++i)
        all.push_back({QString::fromUtf8(words_of<Enum>[i]), static_cast<Enum>(i)});
    return all;
}

/// A list to choose from.
template <std::equality_comparable T> class ChoiceBox : public QComboBox {
public:
    explicit ChoiceBox(const QString& name, QWidget* parent = nullptr) : QComboBox(parent) {
        setAccessibleName(name);
    }
    ChoiceBox(const QString& name, const std::vector<Choice<T>>& choices, QWidget* parent = nullptr)
        : ChoiceBox(name, parent) {
        offer(choices);
    }
    void offer(const std::vector<Choice<T>>& choices) {
        const QSignalBlocker quiet(this);
        clear();
        values_.clear();
        for (const Choice<T>& c : choices) offer(c.words, c.value);
    }
    void offer(const QString& words, T value, const QIcon& icon = {}) {
        values_.push_back(std::move(value)); // before the first row makes itself the chosen one
        const QSignalBlocker quiet(this);
        addItem(icon, words);
    }
    const T& value() const {
        assert(currentIndex() >= 0);
        return values_[static_cast<std::size_t>(currentIndex())];
    }
    /// Emits nothing. The first stays for a value that is not among them.
    void show_value(const T& value) {
        const QSignalBlocker quiet(this);
        const auto at = std::find(values_.begin(), values_.end(), value);
        setCurrentIndex(at == values_.end() ? 0 : static_cast<int>(at - values_.begin()));
    }
    /// Calls `then` with what a person has chosen, once it is another than before.
    template <class Then> void on_choice(QObject* context, Then then) {
        QObject::connect(this, &QComboBox::currentIndexChanged, context, [this, then] { then(value()); });
    }

private:
    std::vector<T> values_;
};

/// The same as buttons side by side.
template <std::equality_comparable T> class ChoiceRow : public Segments {
public:
    ChoiceRow(const QString& name, const std::vector<Choice<T>>& choices, QWidget* parent = nullptr)
        : Segments(name, words_of_each(choices), parent) {
        for (const Choice<T>& c : choices) values_.push_back(c.value);
    }
    /// Emits nothing. None is on for a value that is not among them.
    void show_value(const T& value) {
        const auto at = std::find(values_.begin(), values_.end(), value);
        show_choice(at == values_.end() ? -1 : static_cast<int>(at - values_.begin()));
    }
    /// What is on; `otherwise` while none is.
    T value_or(T otherwise) const {
        return choice() < 0 ? otherwise : values_[static_cast<std::size_t>(choice())];
    }
    template <class Then> void on_choice(QObject* context, Then then) {
        QObject::connect(this, &Segments::chosen, context,
                         [this, then](int i) { then(values_[static_cast<std::size_t>(i)]); });
    }

private:
    static QStringList words_of_each(const std::vector<Choice<T>>& choices) {
        QStringList words;
        for (const Choice<T>& c : choices) words << c.words;
        return words;
    }
    std::vector<T> values_;
};

} // namespace zesty
