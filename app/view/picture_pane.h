// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"
#include "view/tones.h"

#include <QImage>
#include <QWidget>

namespace irenic {

/// A rendered part of an upright picture.
struct PaneImage {
    QImage image;
    QRect region;      ///< upright picture pixels that `image` covers
    int reduction = 1; ///< picture pixels per image pixel
    QImage plain{};    ///< `image` in sRGB, where the screen has numbers of its own; may be null for what is only shown
};

/// What a drag on a picture does.
enum class PaneTool {
    Move,
    Pick,
    Brush,
    Line,
};

/// Paints one picture of the wall; pans and zooms it. Knows no files, methods or undo. All geometry is in device
/// pixels, so that 100 % is one picture pixel on one pixel of the screen at any density.
class PicturePane : public QWidget
{
    Q_OBJECT
public:
    explicit PicturePane(QWidget *parent = nullptr);

    void setTones(const Tones &tones);
    void setPictureSize(QSize upright); ///< empty: there is no picture
    void setViewport(const Viewport &viewport);
    void setImage(const PaneImage &image);
    void clearImage();
    /// Another picture painted in place of this pane's own; null takes it away. Must outlive its being set.
    void setHeldImage(const PaneImage *held);
    void setMessage(const QString &message); ///< words in place of a picture
    void setTool(PaneTool tool);
    /// Picture pixels; drawn about the pointer
    void setBrush(double radiusPx)
    {
        m_brushPx = radiusPx;
        update();
    }
    /// A mask over the picture, with colours and transparency of its own; a null image takes it away.
    void setOverlay(const PaneImage &overlay);
    const PaneImage &overlay() const { return m_overlay; }

    bool hasImage() const { return !m_image.image.isNull(); }
    const PaneImage &image() const { return m_image; }
    double scale() const;                      ///< device pixels per picture pixel
    QRect visibleRegion(int *reduction) const; ///< what should be rendered; empty where nothing is to be seen
    QPointF pictureAt(QPointF widgetPoint) const;
    /// The centre (as fractions) that keeps `picturePoint` under `widgetPoint` at another zoom.
    QPointF centreKeeping(QPointF picturePoint, QPointF widgetPoint, double zoom) const;
    double scaleFor(double zoom) const;

signals:
    void panned(QPointF newCentre);
    void zoomRequested(int steps, QPointF widgetPoint);      ///< + in, - out, about a point
    void placeActivated(QPointF picturePoint);               ///< double-clicked
    void picked();                                           ///< clicked: wants the keyboard
    void placePicked(QPointF picturePoint);                  ///< clicked with the tool Pick
    void strokeBegan(QPointF picturePoint, double pressure); ///< with Brush or Line; the pressure of a pen, or 1
    void strokeMoved(QPointF picturePoint, double pressure);
    void strokeEnded();
    void marked(QPointF picturePoint); ///< clicked with Shift: a place to remember
    void menuRequested(QPointF picturePoint, QPoint globalPoint);
    void pointedAt(QPointF picturePoint); ///< the pointer is there
    void pointedAway();
    void geometryChanged(); ///< shows another region than before

protected:
    void paintEvent(QPaintEvent *event) override;
    void resizeEvent(QResizeEvent *event) override;
    void mousePressEvent(QMouseEvent *event) override;
    void mouseMoveEvent(QMouseEvent *event) override;
    void mouseReleaseEvent(QMouseEvent *event) override;
    void mouseDoubleClickEvent(QMouseEvent *event) override;
    void wheelEvent(QWheelEvent *event) override;
    void contextMenuEvent(QContextMenuEvent *event) override;
    void tabletEvent(QTabletEvent *event) override;
    void leaveEvent(QEvent *event) override;

private:
    QSizeF deviceSize() const { return QSizeF(size()) * devicePixelRatioF(); }
    void beginStroke(QPointF at, double pressure);
    void goOnStroke(QPointF at, double pressure);
    void endStroke();
    QPointF widgetAt(QPointF picturePoint) const;
    QRectF placeOf(const PaneImage &image) const; ///< on the widget
    void paintTool(QPainter &painter);
    QPointF topLeft(double scale, QPointF centre) const; ///< picture coordinates of the pane's corner

    Tones m_tones = Tones::of(Tones::Wall::Mid);
    QSize m_picture;
    Viewport m_viewport;
    PaneImage m_image;
    mutable QImage m_small; ///< the picture at the size in which it hangs, where that is smaller
    mutable qint64 m_smallOf = 0;
    const PaneImage *m_held = nullptr;
    QString m_message;
    QPointF m_dragFrom, m_centreFrom;
    PaneImage m_overlay;
    PaneTool m_tool = PaneTool::Move;
    double m_brushPx = 20;
    QList<QPointF> m_stroke; ///< of the drag, picture pixels
    QPointF m_pointer;
    bool m_dragging = false, m_stroking = false, m_hovered = false;
    int m_wheel = 0;
};

} // namespace irenic
