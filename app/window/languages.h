// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStringList>
#include <QTranslator>

class QApplication;

namespace irenic {

/// The languages of the window: English, which the source is written in, those of app/translations, and one for testing.
namespace languages {

/// Codes of those that are offered, English first.
QStringList all();
/// What a language calls itself.
QString nameOf(const QString &code);
/// For testing: every text in letters with accents, and longer by two fifths, so that what would be cut off, or was never given to a translator, is seen.
inline constexpr const char *kPseudo = "pseudo";

/// What the settings say: a code, or nothing for the desktop's own.
QString chosen();
void choose(const QString &code); ///< from the next start on

/// Speaks that language from now on, numbers and the toolkit's own texts included; what is asked for once and then kept stays as it was. Where it is empty, the one
/// that was chosen, or the desktop's. One that is not there is English. The code that it has become.
QString use(QApplication &application, QString wanted = {});

} // namespace languages

/// Finds a text whoever asks for it: what methods and settings are called is asked for by many classes.
class Catalogue : public QTranslator
{
    Q_OBJECT
public:
    using QTranslator::QTranslator;
    QString translate(const char *context, const char *source, const char *disambiguation = nullptr, int n = -1) const override;
};

/// See languages::kPseudo.
class PseudoCatalogue : public QTranslator
{
    Q_OBJECT
public:
    using QTranslator::QTranslator;
    bool isEmpty() const override { return false; }
    QString translate(const char *context, const char *source, const char *disambiguation = nullptr, int n = -1) const override;
    /// Keeps places for values, key sequences, patterns of file names and the ends of lines.
    static QString lengthened(const QString &text);
};

} // namespace irenic
