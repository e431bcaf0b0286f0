// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/read_frame.h"
#include "irenic/regions.h"
#include "irenic/rendering.h"
#include "irenic/sentence.h"
#include "irenic/spots.h"
#include "panels/export_dialog.h"
#include "support/windows.h"
#include "view/strength_slider.h"
#include "window/languages.h"

#include <QApplication>
#include <QCheckBox>
#include <QDir>
#include <QLabel>
#include <QMenuBar>
#include <QPushButton>
#include <QRadioButton>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QXmlStreamReader>

#include <set>

using namespace irenic;
using namespace irenic::test;

namespace {

struct Text {
    QString source, translation;
    bool isFinished = true;
    int form = 0; ///< of the language's plurals
};

QList<Text> textsOf(const QString &language)
{
    QFile file(QStringLiteral(IRENIC_SOURCE "/app/translations/irenic_%1.ts").arg(language));
    QList<Text> texts;
    if (!file.open(QIODevice::ReadOnly))
        return texts;
    QXmlStreamReader xml(&file);
    bool hasForms = false;
    while (!xml.atEnd()) {
        xml.readNext();
        if (!xml.isStartElement())
            continue;
        if (xml.name() == QLatin1String("message"))
            hasForms = xml.attributes().value(QLatin1String("numerus")) == QLatin1String("yes");
        else if (xml.name() == QLatin1String("source"))
            texts.append({xml.readElementText(), {}, true});
        else if (xml.name() == QLatin1String("translation") && !texts.isEmpty()) {
            texts.last().isFinished = !xml.attributes().hasAttribute(QLatin1String("type"));
            if (!hasForms)
                texts.last().translation = xml.readElementText();
        } else if (xml.name() == QLatin1String("numerusform") && !texts.isEmpty()) {
            Text form = texts.last();
            form.translation = xml.readElementText();
            if (texts.last().translation.isEmpty()) {
                texts.last() = form;
            } else {
                ++form.form;
                texts.append(form);
            }
        }
    }
    return texts;
}

/// What is filled in, with or without the locale's own figures.
QStringList placesIn(const QString &text)
{
    static const QRegularExpression kPlaces(QStringLiteral("%L?(\\d+|n)"));
    QStringList places;
    for (auto found = kPlaces.globalMatch(text); found.hasNext();)
        places << found.next().captured(1);
    places.sort();
    return places;
}

/// All entries of a menu and of those below it.
void forMenus(QMenu *menu, const std::function<void(QMenu *)> &each)
{
    each(menu);
    for (QAction *a : menu->actions())
        if (a->menu())
            forMenus(a->menu(), each);
}

} // namespace

/// The window in every language, and in one that is longer than any.
class LanguagesTest : public QObject
{
    Q_OBJECT

    static void everyLanguage()
    {
        QTest::addColumn<QString>("language");
        for (const QString &language : languages::all())
            if (language != QStringLiteral("en"))
                QTest::newRow(qPrintable(language)) << language;
    }

    /// Speaks a language for as long as it lives.
    struct Speaking {
        explicit Speaking(const QString &language) { code = languages::use(*qApp, language); }
        ~Speaking()
        {
            for (QTranslator *t : qApp->findChildren<QTranslator *>()) {
                QCoreApplication::removeTranslator(t);
                delete t;
            }
            QLocale::setDefault(QLocale::system());
        }
        QString code;
    };

private slots:
    void initTestCase()
    {
        startAfresh();
        QVERIFY(writeFrame(m_dir.filePath("first.dng")));
    }

    void germanAndFrenchAreThere()
    {
        const QStringList all = languages::all();
        QCOMPARE(all.front(), QString("en"));
        QVERIFY(all.contains("de") && all.contains("fr"));
        QCOMPARE(languages::nameOf("de"), QString("Deutsch"));
        QCOMPARE(languages::nameOf("fr"), QString("Français"));
        QCOMPARE(languages::nameOf("en"), QString("English"));
    }

    /// As many frames as there are: each language by its own plurals, the catalogue's and not the source's.
    void countsHaveTheirPlural()
    {
        const auto said = [](int n) { return QCoreApplication::translate("irenic::ContactSheet", "%n frames chosen", nullptr, n); };
        QCOMPARE(said(3), QString("3 frames chosen"));
        const auto inLanguage = [&](const char *code, int n) {
            const Speaking speaking(QString::fromLatin1(code));
            return said(n);
        };
        QCOMPARE(inLanguage("de", 1), QString("1 Aufnahme gewählt"));
        QCOMPARE(inLanguage("de", 0), QString("0 Aufnahmen gewählt"));
        QCOMPARE(inLanguage("fr", 0), QString("0 vue choisie")); // where nothing counts as one
        QCOMPARE(inLanguage("fr", 2), QString("2 vues choisies"));
    }

    /// Every text is translated, holds the same values, lines and blanks at its ends, and has a letter to press where the original has one.
    void cataloguesAreWhole_data() { everyLanguage(); }
    void cataloguesAreWhole()
    {
        QFETCH(QString, language);
        const QList<Text> texts = textsOf(language);
        QVERIFY(texts.size() > 1000);
        QMap<std::pair<QString, int>, QString> said;
        for (const Text &t : texts) {
            QVERIFY2(said.value({t.source, t.form}, t.translation) == t.translation, qPrintable(t.source)); // whoever says it
            said[{t.source, t.form}] = t.translation;
            QVERIFY2(t.isFinished && !t.translation.isEmpty(), qPrintable(t.source));
            QVERIFY2(placesIn(t.translation) == placesIn(t.source), qPrintable(t.translation));
            QVERIFY2(t.translation.count('\n') == t.source.count('\n'), qPrintable(t.translation));
            QVERIFY2(t.translation.contains('&') == t.source.contains('&'), qPrintable(t.translation));
            QVERIFY2(t.translation.front().isSpace() == t.source.front().isSpace() && t.translation.back().isSpace() == t.source.back().isSpace(), qPrintable(t.translation));
            QVERIFY2(!t.translation.contains(QChar::ReplacementCharacter), qPrintable(t.translation));
        }
    }

    /// What methods, settings, spots and regions are called is asked for by many classes, and known to all.
    void whatTablesHoldIsTranslatedToo_data() { everyLanguage(); }
    void whatTablesHoldIsTranslatedToo()
    {
        QFETCH(QString, language);
        const Speaking speaking(language);
        QCOMPARE(speaking.code, language);
        QStringList same;
        const auto ask = [&](const char *text) {
            if (*text && QCoreApplication::translate("irenic::CaptionStrip", text) == QString::fromUtf8(text))
                same << QString::fromUtf8(text);
        };
        for (const MethodInfo &m : methods())
            ask(m.label), ask(m.goodAt), ask(m.cost);
        for (const TreatmentParam &p : kTreatmentParams)
            ask(p.info.label), ask(p.info.help);
        for (const RenderingParam &p : kRenderingParams)
            ask(p.info.label), ask(p.info.help);
        for (const RegionParam &p : kRegionParams)
            ask(p.info.label), ask(p.info.help);
        for (const SpotKind kind : {SpotKind::Own, SpotKind::Shadow, SpotKind::PlainTone, SpotKind::Texture, SpotKind::Edge, SpotKind::PointLights, SpotKind::MostNoiseLeft})
            ask(infoOf(kind).label), ask(infoOf(kind).help);
        same.removeAll("BM3D");
        same.removeAll("luminance"); // as in French
        same.removeAll("texture");
        QVERIFY2(same.isEmpty(), qPrintable(same.join(" | ")));
    }

    /// What the engine says of a frame is said in the window's language, and in English again where nobody asked for another.
    void theEngineSpeaksIt()
    {
        NoiseReport noise;
        noise.luminanceNoise = 0.1f;
        const std::string english = suggestTreatment(noise).reason;
        QVERIFY(english.starts_with("Grain measures 10 % of the mid-tone"));
        {
            const Speaking speaking("de");
            const QString german = QString::fromStdString(suggestTreatment(noise).reason);
            QVERIFY2(german.startsWith("Das Korn misst 10 % des Mitteltons") && !german.contains("where"), qPrintable(german));
        }
        QCOMPARE(suggestTreatment(noise).reason, english);
        QCOMPARE(sentence("%1 of %2, 100 % of %3", {"a", "%1"}), std::string("a of %1, 100 % of %3"));
    }

    /// Errors are one sentence in one language, whatever they are put together from.
    void errorsSpeakIt()
    {
        QFile empty(m_dir.filePath("nothing.dng")), cut(m_dir.filePath("cut.dng")), whole(m_dir.filePath("first.dng"));
        QVERIFY(empty.open(QIODevice::WriteOnly) && cut.open(QIODevice::WriteOnly) && whole.open(QIODevice::ReadOnly));
        const QByteArray bytes = whole.readAll();
        QVERIFY(cut.write(bytes.left(bytes.size() / 2)) > 0);
        empty.close(), cut.close();
        const auto saidOf = [](const QFile &file) { return QString::fromStdString(readFrame(file.fileName().toStdString()).error().userMessage); };
        QCOMPARE(saidOf(empty), QString("nothing.dng is empty. The file was left as it is."));
        const QString english = saidOf(cut);
        const Speaking speaking("de");
        QCOMPARE(saidOf(empty), QString("nothing.dng ist leer. Die Datei blieb, wie sie ist."));
        const QString german = saidOf(cut);
        QVERIFY2(german.startsWith("cut.dng ") && german != english && !german.contains(" is ") && !german.contains(" the "), qPrintable(german));
        const QString refused = QString::fromStdString(validate(Treatment{"wavelet", 7, 1}).error().userMessage);
        QVERIFY2(refused.contains("zwischen 0 und 3") && refused.contains("Luminanz"), qPrintable(refused));
    }

    /// Where one reads from right to left, strengths grow to the left, under the pointer and by the keys.
    void strengthsGrowAsOneReads()
    {
        StrengthSlider slider(kLuminanceParam.info);
        slider.resize(200, 26);
        for (const auto &[direction, end, more] : {std::tuple{Qt::LeftToRight, 190, Qt::Key_Right}, {Qt::RightToLeft, 10, Qt::Key_Left}}) {
            slider.setLayoutDirection(direction);
            slider.setStrength(1);
            QTest::mouseClick(&slider, Qt::LeftButton, {}, QPoint(end, 10));
            QVERIFY2(slider.strength() > 2.8, qPrintable(QString::number(slider.strength())));
            slider.setStrength(1);
            QTest::keyClick(&slider, more);
            QCOMPARE(slider.strength(), 1.05);
        }
    }

    void aLanguageThatIsNotThereIsEnglish()
    {
        const Speaking speaking("tlh");
        QCOMPARE(speaking.code, QString("en"));
        QCOMPARE(QCoreApplication::translate("irenic::CaptionStrip", "Untreated"), QString("Untreated"));
    }

    /// The choice is kept, and counts where nothing else is asked for.
    void theChoiceIsKept()
    {
        languages::choose("fr");
        {
            const Speaking speaking({});
            QCOMPARE(speaking.code, QString("fr"));
            QCOMPARE(QCoreApplication::translate("irenic::CaptionStrip", "Untreated"), QString("Non traitée"));
            const Speaking other("de"); // asked for at the start
            QCOMPARE(other.code, QString("de"));
        }
        languages::choose({});
        QVERIFY(languages::chosen().isEmpty());
    }

    void theMenuChoosesForTheNextStart()
    {
        const auto window = shownWindow();
        auto *german = window->findChild<QAction *>("language-de");
        QVERIFY(german && german->text() == "Deutsch" && !german->isChecked());
        german->trigger();
        QCOMPARE(languages::chosen(), QString("de"));
        auto *desktops = window->findChild<QAction *>("language-");
        QVERIFY(desktops);
        desktops->trigger();
        QVERIFY(languages::chosen().isEmpty());
    }

    /// Figures on strips have the language's own point; what is written into files has none of it.
    void figuresFollowTheLanguage()
    {
        const Speaking speaking("de");
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        static const QRegularExpression kComma(QStringLiteral("Korn \\d+,\\d %"));
        QTRY_VERIFY_WITH_TIMEOUT([&] {
            const QList<QLabel *> labels = window->findChildren<QLabel *>();
            return std::any_of(labels.begin(), labels.end(), [](const QLabel *l) { return kComma.match(l->text()).hasMatch(); });
        }(),
                                 kPatienceMs);
        const auto name = expandName("{name}-{luminance}", *window->session()->viewing().readyFrame()->frame, {"wavelet", 1.25, 1});
        QVERIFY(name && name.value().find("1.25") != std::string::npos);
    }

    /// No letter opens two things in one menu.
    void lettersOfMenusDiffer_data()
    {
        everyLanguage();
        QTest::newRow("en") << "en";
    }
    void lettersOfMenusDiffer()
    {
        QFETCH(QString, language);
        const Speaking speaking(language);
        const auto window = shownWindow();
        static const QRegularExpression kLetter(QStringLiteral("&([^&])"));
        QStringList twice;
        const auto check = [&](const QList<QAction *> &actions, const QString &where) {
            std::set<QChar> taken;
            for (const QAction *a : actions)
                if (const auto m = kLetter.match(a->text()); m.hasMatch() && !taken.insert(m.captured(1).front().toLower()).second)
                    twice << where + QStringLiteral(": ") + a->text();
        };
        check(window->menuBar()->actions(), QStringLiteral("menu bar"));
        for (QAction *a : window->menuBar()->actions())
            if (a->menu())
                forMenus(a->menu(), [&](QMenu *m) { check(m->actions(), m->title()); });
        QVERIFY2(twice.isEmpty(), qPrintable(twice.join("\n")));
    }

    void theLongLanguageKeepsWhatIsNoText()
    {
        QCOMPARE(PseudoCatalogue::lengthened("Ctrl+Shift+E"), QString("Ctrl+Shift+E"));
        QCOMPARE(PseudoCatalogue::lengthened("%1 %"), QString("%1 %"));
        const QString files = PseudoCatalogue::lengthened("Pictures (*.tif *.tiff)");
        QVERIFY(files.contains("(*.tif *.tiff)") && files != "Pictures (*.tif *.tiff)");
        const QString text = PseudoCatalogue::lengthened("One frame\nof %1");
        QVERIFY(text.contains("%1") && text.contains('\n') && text.size() >= int(1.3 * 15) && !text.contains("One"));
    }

    /// With every text longer by two fifths, what is said in full is seen in full: on the wall with a frame, on cards, in the dialog of exports.
    void nothingIsCutOffInTheLongLanguage()
    {
        const Speaking speaking(QString::fromLatin1(languages::kPseudo));
        const auto window = shownWindow();
        QVERIFY(hang(window.get(), {m_dir.filePath("first.dng")}));
        for (const char *card : {"readings", "rendering", "lens", "regions", "queue", "histogram", "shooting"}) {
            window->card(card)->bringUp();
            settle();
            QStringList cut = cutOffIn(window->card(card));
            QVERIFY2(cut.isEmpty(), qPrintable(QString::fromLatin1(card) + ": " + cut.join(" | ")));
        }
        const QStringList cut = cutOffIn(window.get());
        QVERIFY2(cut.isEmpty(), qPrintable(cut.join(" | ")));
        ExportDialog dialog(*window->session(), {}, 1, {}, window.get());
        dialog.show();
        settle();
        QVERIFY2(cutOffIn(&dialog).isEmpty(), qPrintable(cutOffIn(&dialog).join(" | ")));
    }

private:
    static void settle() { QTest::qWait(60); }

    /// Buttons, boxes and labels that are narrower than what they say; those that shorten it by themselves, or tell it in full on hovering, are none.
    static QStringList cutOffIn(QWidget *in)
    {
        QStringList cut;
        for (const QWidget *w : in->findChildren<QWidget *>()) {
            if (!w->isVisible() || w->width() == 0)
                continue;
            const auto *label = qobject_cast<const QLabel *>(w);
            const auto *button = qobject_cast<const QAbstractButton *>(w);
            const QString text = label ? label->text() : button ? button->text()
                                                                : QString();
            if (text.isEmpty() || (label && label->wordWrap()) || w->sizePolicy().horizontalPolicy() == QSizePolicy::Ignored || w->toolTip().contains(text))
                continue;
            int widest = 0;
            for (const QString &line : text.split(u'\n'))
                widest = std::max(widest, w->fontMetrics().horizontalAdvance(line.contains(u'&') ? QString(line).remove(u'&') : line));
            if (w->width() < widest)
                cut << QStringLiteral("%1 \"%2\" needs %3 of %4").arg(w->objectName(), text).arg(widest).arg(w->width());
        }
        return cut;
    }

    QTemporaryDir m_dir;
};

QTEST_MAIN(LanguagesTest)
#include "languages_test.moc"
