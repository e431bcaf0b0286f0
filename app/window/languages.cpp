// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/languages.h"

#include "irenic/sentence.h"

#include <QApplication>
#include <QDir>
#include <QLibraryInfo>
#include <QLocale>
#include <QRegularExpression>
#include <QSettings>

namespace irenic {

namespace {

constexpr const char *kSetting = "language";
constexpr const char *kContext = "irenic"; ///< the one of all texts in a compiled catalogue; see app/CMakeLists.txt

std::string inThisLanguage(const char *english)
{
    return QCoreApplication::translate(kContext, english).toStdString();
}

} // namespace

namespace languages {

QStringList all()
{
    QStringList codes{QStringLiteral("en")};
    for (const QString &file : QDir(QStringLiteral(":/translations")).entryList({QStringLiteral("irenic_*.qm")}, QDir::Files, QDir::Name))
        codes << file.mid(7, file.size() - 10);
    return codes;
}

QString nameOf(const QString &code)
{
    QString name = QLocale(code).nativeLanguageName();
    if (code == QStringLiteral("en"))
        name = QStringLiteral("English"); // which Qt calls American
    return name.isEmpty() ? code : name.left(1).toUpper() + name.mid(1);
}

QString chosen()
{
    return QSettings().value(QLatin1String(kSetting)).toString();
}

void choose(const QString &code)
{
    if (code.isEmpty())
        QSettings().remove(QLatin1String(kSetting));
    else
        QSettings().setValue(QLatin1String(kSetting), code);
}

QString use(QApplication &application, QString wanted)
{
    translateSentences(inThisLanguage);
    if (wanted.isEmpty())
        wanted = chosen();
    if (wanted == QLatin1String(kPseudo)) {
        QCoreApplication::installTranslator(new PseudoCatalogue(&application));
        return wanted;
    }
    if (!wanted.isEmpty())
        QLocale::setDefault(QLocale(wanted)); // numbers follow; where nothing was chosen they are the desktop's
    const QStringList asked = wanted.isEmpty() ? QLocale().uiLanguages() : QStringList{wanted};
    const QStringList there = all();
    for (const QString &language : asked) {
        const QString code = QLocale(language).name().section(u'_', 0, 0);
        if (!there.contains(code))
            continue;
        if (code != QStringLiteral("en")) {
            auto *toolkit = new QTranslator(&application);
            if (toolkit->load(QStringLiteral("qtbase_") + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
                QCoreApplication::installTranslator(toolkit);
            auto *own = new Catalogue(&application);
            if (own->load(QStringLiteral(":/translations/irenic_%1.qm").arg(code)))
                QCoreApplication::installTranslator(own);
        }
        return code;
    }
    QLocale::setDefault(QLocale(QLocale::English)); // figures as the words beside them
    return QStringLiteral("en");
}

} // namespace languages

QString Catalogue::translate(const char *, const char *source, const char *disambiguation, int n) const
{
    return QTranslator::translate(kContext, source, disambiguation, n);
}

QString PseudoCatalogue::translate(const char *context, const char *source, const char *, int) const
{
    // The toolkit's own texts are another catalogue's.
    const QByteArrayView asked(context);
    return asked.startsWith('Q') && asked != "QObject" ? QString() : lengthened(QString::fromUtf8(source));
}

QString PseudoCatalogue::lengthened(const QString &text)
{
    static const QRegularExpression kKept(QStringLiteral("%L?\\d+|%n|\\([^)]*\\*[^)]*\\)|\\{[a-z]+\\}|\\n|&")), kKeys(QStringLiteral("^((Ctrl|Shift|Alt)\\+)+[^ ]+$"));
    if (text.trimmed().isEmpty() || kKeys.match(text).hasMatch())
        return text;
    static const QString kFrom = QStringLiteral("aceinouyAEINOU"), kTo = QStringLiteral("áçéîñóûÿÅÉÎÑÓÛ");
    QString out;
    qsizetype at = 0, letters = 0;
    const auto accented = [&](QStringView part) {
        for (const QChar c : part) {
            const qsizetype i = kFrom.indexOf(c);
            out += i < 0 ? c : kTo[i];
            letters += c.isLetter();
        }
    };
    for (auto found = kKept.globalMatch(text); found.hasNext();) {
        const auto match = found.next();
        accented(QStringView(text).mid(at, match.capturedStart() - at));
        out += match.captured();
        at = match.capturedEnd();
    }
    accented(QStringView(text).mid(at));
    if (letters == 0)
        return text;
    // Before blanks and points at the end, which others join on to.
    qsizetype end = out.size();
    while (end > 0 && (out[end - 1].isSpace() || QStringView(u".,:;!?").contains(out[end - 1])))
        --end;
    return out.insert(end == 0 ? out.size() : end, QString(std::max<qsizetype>(1, letters * 2 / 5), u'~'));
}

} // namespace irenic
