// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/mask_renderer.h"
#include "panels/region_tool.h"
#include "panels/wall.h"

class QCheckBox;
class QComboBox;
class QGridLayout;
class QListWidget;
class QPushButton;

namespace irenic {

class AmountRow;

/// The regions of the current frame: what they are made of, what holds inside them, and how they are shown over the pictures. Its brush
/// paints on the wall.
class RegionsPanel : public QWidget
{
    Q_OBJECT
public:
    RegionsPanel(Session *session, Wall *wall, QWidget *parent = nullptr);

    int region() const { return m_region; } ///< chosen, or -1
    int part() const { return m_part; }     ///< of it, or -1
    void chooseRegion(int region);
    RegionTool *tool() { return &m_tool; }
    bool showsMask() const { return m_masked; }      ///< over the pictures
    bool isIdle() const { return m_masks.isIdle(); } ///< every mask is drawn

public slots:
    void addRegion(irenic::MaskPart::Kind kind);
    void addPart(irenic::MaskPart::Kind kind, irenic::MaskPart::Joins joins);
    void removeRegion();
    void removePart();
    void invert();
    void hideMask();
    void clearPart(); ///< takes every stroke away
    void setBrush(double radiusPx, double hardness, double flow);
    void setMaskLook(const irenic::MaskLook &look);

signals:
    void told(const QString &text);
    void maskShownChanged();

protected:
    void showEvent(QShowEvent *event) override;
    void hideEvent(QHideEvent *event) override;

private:
    void makeParts(QGridLayout *grid);
    void makeAmounts(QGridLayout *grid);
    void makeLook(QGridLayout *grid);
    void showContents();
    void showMask();
    void showTool();
    void handPart();
    const MaskPart *chosenPart() const;
    QString wordsOf(const MaskPart &part) const;
    /// Changes the chosen region (or part) by `edit`, as one step of undo.
    template <class Edit>
    void change(const QString &words, const Edit &edit, int dragId = 0);
    template <class Edit>
    void changePart(const QString &words, const Edit &edit, int dragId = 0);

    Session *m_session;
    Wall *m_wall;
    RegionTool m_tool;
    MaskRenderer m_masks;
    MaskLook m_look;
    int m_region = -1, m_part = -1;
    bool m_filling = false, m_masked = false;
    QString m_frame; ///< path of the frame that the choice is about
    QListWidget *m_regions, *m_parts;
    QPushButton *m_add, *m_addPart, *m_remove, *m_removePart, *m_paint, *m_erase, *m_clear, *m_pick, *m_colour;
    QCheckBox *m_inverted;
    QComboBox *m_joins, *m_shown;
    AmountRow *m_size, *m_hardness, *m_flow, *m_low, *m_high, *m_soft, *m_opacity;
    std::vector<AmountRow *> m_amounts; ///< in the order of kRegionParams
};

} // namespace irenic
