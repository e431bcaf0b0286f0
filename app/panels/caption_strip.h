// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "panels/trial_readings.h"
#include "session/session.h"
#include "view/tones.h"

#include <QWidget>

#include <optional>

class QDoubleSpinBox;
class QGridLayout;
class QHBoxLayout;
class QLabel;
class QPushButton;

namespace irenic {

class StrengthSlider;
class ToneCurve;

/// The paper under a column of pictures: names the trial, carries its strengths and its readings, and says whether it is settled.
/// The untreated column has figures of the frame and no controls; a guest says what was done to match it.
class CaptionStrip : public QWidget
{
    Q_OBJECT
public:
    enum class Of {
        Untreated,
        Trial,
        Guest,
    };
    CaptionStrip(Of of, int number, QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void showFrame(const RollFrame *frame); ///< null: nothing is open
    void setHasKeyboard(bool has);          ///< a notch points up at the picture
    void setStatus(const QString &status, bool isSettled);
    QString status() const;
    /// Of a trial, where the row with the keyboard looks; how it stands among the others there, and on which scale its bars are.
    void setReadings(const std::optional<PlaceReadings> &readings, const std::optional<Standing> &standing = {}, const ReadingScale &scale = {});
    /// Which controls a trial's strip shows.
    using Page = ParamGroup;
    static constexpr int kPages = 4;
    static QString pageWords(Page page); ///< "noise", "detail", "tones", "sharpen"
    void setPage(Page page);
    Page page() const { return m_page; }
    /// That the trials' strips have, so that a strip without controls is as high
    void setPageRows(int rows)
    {
        m_pageRows = rows;
        arrange();
    }
    int pageRows() const;
    double exportSeconds() const { return m_pace * m_expected; }  ///< expected of the frame with this trial; 0 where its pixels rest
    void setPace(double pace) { m_pace = pace; }                  ///< seconds taken on this machine over seconds expected, see ExportQueue::ratio()
    void setHistogram(const std::optional<Histogram> &histogram); ///< of the frame, behind the curve of the tones
    void setFolded(bool folded);                                  ///< to two lines: name, strengths, readings
    bool isFolded() const { return m_folded; }
    QString readingWords() const; ///< as shown

signals:
    void changed(const irenic::TreatmentParam *param, double value, int dragId);
    void sparingHeld(bool held); ///< the slider is held that spares smooth parts from sharpening
    void pageChosen(irenic::CaptionStrip::Page page);
    void methodChosen(const QString &method, const QString &colourMethod); ///< an empty colour method: the same
    void suggestionRequested();
    void ownStartRequested();
    void keeperToggled();
    void picked();
    void menuRequested(QPoint globalPoint);

protected:
    void paintEvent(QPaintEvent *event) override;
    void resizeEvent(QResizeEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    void contextMenuEvent(QContextMenuEvent *event) override;

private:
    static QString findings(const RollFrame &frame);
    int sidePx() const { return m_narrow ? 7 : 11; } ///< margin at the left and right
    void showTabs();
    void showFoot();
    void showMethod();
    struct Row {
        QLabel *label = nullptr;
        StrengthSlider *slider = nullptr;
        QDoubleSpinBox *field = nullptr;
        Page page = Page::Noise;
        const TreatmentParam *param = nullptr;
        std::array<QWidget *, 3> widgets() const;
    };
    Row makeRow(const TreatmentParam &param);
    bool isOffered(const Row &row) const { return row.page == m_page && (m_isJpeg || !row.param->ofJpeg); }
    void makePages(QGridLayout *grid);
    void applyTones();
    double expectedOf(const Treatment &treatment) const;
    QString exportWords(const Treatment &treatment) const; ///< how long an export of the frame takes with it; empty where its pixels rest

    void makeTrialControls(QGridLayout *grid, QHBoxLayout *head);
    void showUntreated(const RollFrame *frame);
    void showTrial(const RollFrame *frame);
    void showGuest(const RollFrame *frame);
    void arrange();

    Of m_of;
    int m_number; ///< trial or guest
    bool m_folded = false, m_narrow = false, m_isSettled = false, m_hasLeft = false;
    std::optional<OwnStart> m_ownStart; ///< that is offered
    bool m_hasKeyboard = false;
    double m_pace = 1, m_expected = 0; ///< the latter of exporting what is shown
    std::weak_ptr<const Frame> m_frame;
    std::shared_ptr<const NoiseReport> m_noise;
    LensCorrection m_lens;
    FrameKind m_kind = FrameKind::Mosaic;
    bool m_isKeeper = false;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
    QLabel *m_letter = nullptr, *m_title, *m_body = nullptr, *m_status, *m_left = nullptr;
    QLabel *m_reading = nullptr; ///< of the folded strip
    ReadingBars *m_bars = nullptr;
    TrialReadings m_read;
    QString m_words;
    QPushButton *m_method = nullptr;
    Treatment m_shown;
    bool m_isJpeg = false; ///< what is shown: blocks can be softened
    QPushButton *m_keep = nullptr, *m_return = nullptr;
    std::vector<Row> m_rows;
    Page m_page = Page::Noise;
    int m_pageRows = 2; ///< of the trials' strips, where this one has none
    std::array<QPushButton *, kPages> m_tabs{};
    ToneCurve *m_curve = nullptr;
};

} // namespace irenic
