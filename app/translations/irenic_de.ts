<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
    <name>GuideNote</name>
    <message>
        <source>Hold Space: every picture shows its untreated pixels. Let go, and the trials are back.</source>
        <translation>Leertaste halten: Jedes Bild zeigt seine unbehandelten Pixel. Loslassen, und die Proben sind wieder da.</translation>
    </message>
    <message>
        <source>Hold R: what each trial removed. Whatever you can recognise in it is picture that went with the noise.</source>
        <translation>R halten: was jede Probe entfernt hat. Was sich darin wiedererkennen lässt, ist Bild, das mit dem Rauschen ging.</translation>
    </message>
    <message>
        <source>Press 1 to 9: other places worth a look. With more rows (top right) several hang at once.</source>
        <translation>1 bis 9: andere Stellen, die einen Blick wert sind. Mit mehr Reihen (oben rechts) hängen mehrere zugleich.</translation>
    </message>
    <message>
        <source>Press T: one method at a ladder of strengths; Enter takes one. Press Y: a blind round, to decide without names.</source>
        <translation>T: ein Verfahren in einer Stufenfolge von Stärken; Eingabe übernimmt eine. Y: ein Blindvergleich, um ohne Namen zu entscheiden.</translation>
    </message>
    <message>
        <source>K keeps the trial, Ctrl+E exports the frame with it. The original is never written to.</source>
        <translation>K behält die Probe, Strg+E exportiert die Aufnahme damit. Das Original wird nie beschrieben.</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>taking %1 off the roll</source>
        <translation>%1 vom Film nehmen</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 bis %2</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>1/%1 s</source>
        <translation>1/%1 s</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>f/%1</source>
        <translation>f/%1</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>raw</source>
        <translation>Raw</translation>
    </message>
    <message>
        <source>%1 + %2</source>
        <translation>%1 + %2</translation>
    </message>
    <message>
        <source>%1  %2 / %3</source>
        <translation>%1  %2 / %3</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>%1 h %2 min</source>
        <translation>%1 h %2 min</translation>
    </message>
    <message>
        <source>%1
An export of this frame: about %2</source>
        <translation>%1
Ein Export dieser Aufnahme: etwa %2</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>Colours by</source>
        <translation>Farben durch</translation>
    </message>
    <message>
        <source>the same method</source>
        <translation>dasselbe Verfahren</translation>
    </message>
</context>
<context>
    <name>irenic</name>
    <message>
        <source>red</source>
        <translation>rot</translation>
    </message>
    <message>
        <source>By how many thousandths the red picture is larger than the green one</source>
        <translation>Um wie viele Tausendstel das rote Bild größer ist als das grüne</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>blau</translation>
    </message>
    <message>
        <source>By how many thousandths the blue picture is larger than the green one</source>
        <translation>Um wie viele Tausendstel das blaue Bild größer ist als das grüne</translation>
    </message>
    <message>
        <source>corners</source>
        <translation>Ecken</translation>
    </message>
    <message>
        <source>How much less light the corners got than the middle</source>
        <translation>Wie viel weniger Licht die Ecken bekamen als die Mitte</translation>
    </message>
    <message>
        <source>fringes</source>
        <translation>Säume</translation>
    </message>
    <message>
        <source>How much of the coloured fringes at strong edges is taken off; to be judged at 100 % and more</source>
        <translation>Wie viel der farbigen Säume an starken Kanten weggenommen wird; ab 100 % zu beurteilen</translation>
    </message>
    <message>
        <source>bend</source>
        <translation>Biegung</translation>
    </message>
    <message>
        <source>How far the corners lie too far in (barrel, below 0) or too far out (pincushion)</source>
        <translation>Wie weit die Ecken zu weit innen (Tonne, unter 0) oder zu weit außen (Kissen) liegen</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>stored %1</source>
        <translation>gespeichert %1</translation>
    </message>
    <message>
        <source>linear %1</source>
        <translation>linear %1</translation>
    </message>
    <message>
        <source>linear %1 ± %2</source>
        <translation>linear %1 ± %2</translation>
    </message>
    <message>
        <source>%1 %2 %3 %4</source>
        <translation>%1 %2 %3 %4</translation>
    </message>
    <message>
        <source>size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>Radius of the brush, in pixels of the picture; 0.5 is one pixel</source>
        <translation>Radius des Pinsels, in Bildpixeln; 0,5 ist ein Pixel</translation>
    </message>
    <message>
        <source>hardness</source>
        <translation>Härte</translation>
    </message>
    <message>
        <source>Share of the brush that lays on everything; beyond, it fades</source>
        <translation>Anteil des Pinsels, der alles aufträgt; jenseits davon klingt er aus</translation>
    </message>
    <message>
        <source>flow</source>
        <translation>Fluss</translation>
    </message>
    <message>
        <source>How much one stroke lays on; a pen&apos;s pressure lessens it</source>
        <translation>Wie viel ein Strich aufträgt; der Druck eines Stifts mindert es</translation>
    </message>
    <message>
        <source>from</source>
        <translation>von</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>softness</source>
        <translation>Weichheit</translation>
    </message>
    <message>
        <source>How gently the part begins and ends</source>
        <translation>Wie sanft der Teil beginnt und endet</translation>
    </message>
    <message>
        <source>opacity</source>
        <translation>Deckung</translation>
    </message>
    <message>
        <source>Of the mask over the pictures</source>
        <translation>Der Maske über den Bildern</translation>
    </message>
    <message>
        <source>BM3D</source>
        <translation>BM3D</translation>
    </message>
    <message>
        <source>The classical best: keeps fine detail and cleans smooth tones well.</source>
        <translation>Das klassisch Beste: erhält feine Zeichnung und glättet ruhige Töne gut.</translation>
    </message>
    <message>
        <source>About four times the wavelet&apos;s time.</source>
        <translation>Etwa die vierfache Zeit des Wavelets.</translation>
    </message>
    <message>
        <source>Sliding DCT</source>
        <translation>Gleitende DCT</translation>
    </message>
    <message>
        <source>Crisp lines and weaves; quick.</source>
        <translation>Scharfe Linien und Gewebe; schnell.</translation>
    </message>
    <message>
        <source>About twice the wavelet&apos;s time.</source>
        <translation>Etwa die doppelte Zeit des Wavelets.</translation>
    </message>
    <message>
        <source>Non-local means</source>
        <translation>Nichtlokale Mittel</translation>
    </message>
    <message>
        <source>Repeating texture such as weave and rope; leaves a little fine grain.</source>
        <translation>Wiederkehrende Textur wie Gewebe und Tauwerk; lässt etwas feines Korn.</translation>
    </message>
    <message>
        <source>About three times the wavelet&apos;s time.</source>
        <translation>Etwa die dreifache Zeit des Wavelets.</translation>
    </message>
    <message>
        <source>Residual U-Net</source>
        <translation>Residuales U-Net</translation>
    </message>
    <message>
        <source>Fine lines, lettering and irregular texture; a network that learned from procedural pictures alone. Of two-by-two sensors; other frames get U-Net in full colour instead.</source>
        <translation>Feine Linien, Schrift und unregelmäßige Textur; ein Netz, das nur an berechneten Bildern gelernt hat. Für Zwei-mal-zwei-Sensoren; andere Aufnahmen bekommen statt seiner das U-Net in voller Farbe.</translation>
    </message>
    <message>
        <source>U-Net self-ensemble</source>
        <translation>U-Net, Selbstensemble</translation>
    </message>
    <message>
        <source>The export of a picture that matters: a network three times as large is asked four times, with the frame turned and with rows for columns, and the mean of its answers is taken. Of two-by-two sensors; other frames get U-Net in full colour instead.</source>
        <translation>Der Export eines Bildes, auf das es ankommt: Ein dreimal so großes Netz wird viermal gefragt, mit gedrehter und gestürzter Aufnahme, und das Mittel seiner Antworten genommen. Für Zwei-mal-zwei-Sensoren; andere Aufnahmen bekommen statt seiner das U-Net in voller Farbe.</translation>
    </message>
    <message>
        <source>Ten times the residual U-Net&apos;s time, five times BM3D&apos;s.</source>
        <translation>Die zehnfache Zeit des residualen U-Nets, die fünffache von BM3D.</translation>
    </message>
    <message>
        <source>U-Net in full colour</source>
        <translation>U-Net in voller Farbe</translation>
    </message>
    <message>
        <source>Pictures that are developed here: one pass answers the sensor&apos;s samples and, in place of demosaicing them, the colours. A mosaic DNG gets the samples alone. Frames in full colour (linear ones, six-by-six sensors, finished pictures) have a network of their own, which sees noise where it cannot be measured.</source>
        <translation>Bilder, die hier entwickelt werden: Ein Durchgang antwortet mit den Sensorwerten und, anstelle des Demosaikens, mit den Farben. Ein Mosaik-DNG bekommt die Sensorwerte allein. Aufnahmen in voller Farbe (lineare, von Sechs-mal-sechs-Sensoren, fertige Bilder) haben ihr eigenes Netz, das Rauschen auch dort sieht, wo es nicht zu messen ist.</translation>
    </message>
    <message>
        <source>About three times the residual U-Net&apos;s time.</source>
        <translation>Etwa die dreifache Zeit des residualen U-Nets.</translation>
    </message>
    <message>
        <source>Wavelet shrinkage</source>
        <translation>Wavelet-Schrumpfung</translation>
    </message>
    <message>
        <source>Quick and even; keeps grain fine and edges free of halos.</source>
        <translation>Schnell und gleichmäßig; hält Korn fein und Kanten frei von Säumen.</translation>
    </message>
    <message>
        <source>About an eighth of a second a megapixel on two cores.</source>
        <translation>Etwa eine Achtelsekunde je Megapixel auf zwei Kernen.</translation>
    </message>
    <message>
        <source>temperature</source>
        <translation>Temperatur</translation>
    </message>
    <message>
        <source>Colour temperature of the light, in kelvin; 0 is as shot</source>
        <translation>Farbtemperatur des Lichts, in Kelvin; 0 ist wie aufgenommen</translation>
    </message>
    <message>
        <source>tint</source>
        <translation>Tönung</translation>
    </message>
    <message>
        <source>From magenta (below 0) to green (above 0), in thousandths of Duv</source>
        <translation>Von Magenta (unter 0) nach Grün (über 0), in Tausendstel Duv</translation>
    </message>
    <message>
        <source>my own</source>
        <translation>eigene</translation>
    </message>
    <message>
        <source>A place that you marked</source>
        <translation>Eine Stelle, die Sie markiert haben</translation>
    </message>
    <message>
        <source>shadow</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>The deepest shadow that holds something</source>
        <translation>Der tiefste Schatten, der etwas enthält</translation>
    </message>
    <message>
        <source>plain tone</source>
        <translation>ruhiger Ton</translation>
    </message>
    <message>
        <source>A smooth middle tone, where blotches show first</source>
        <translation>Ein glatter mittlerer Ton, wo Flecken zuerst auffallen</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>Textur</translation>
    </message>
    <message>
        <source>The finest texture</source>
        <translation>Die feinste Textur</translation>
    </message>
    <message>
        <source>texture by smooth</source>
        <translation>Textur bei Glattem</translation>
    </message>
    <message>
        <source>Texture beside a smooth area</source>
        <translation>Textur neben einer glatten Fläche</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>Kante</translation>
    </message>
    <message>
        <source>A hard edge</source>
        <translation>Eine harte Kante</translation>
    </message>
    <message>
        <source>point lights</source>
        <translation>Lichtpunkte</translation>
    </message>
    <message>
        <source>Small lights that look like noise</source>
        <translation>Kleine Lichter, die wie Rauschen aussehen</translation>
    </message>
    <message>
        <source>strong colour</source>
        <translation>starke Farbe</translation>
    </message>
    <message>
        <source>The strongest colour</source>
        <translation>Die stärkste Farbe</translation>
    </message>
    <message>
        <source>corner</source>
        <translation>Ecke</translation>
    </message>
    <message>
        <source>The corner with most in it</source>
        <translation>Die Ecke, in der am meisten ist</translation>
    </message>
    <message>
        <source>most noise left</source>
        <translation>größter Rest</translation>
    </message>
    <message>
        <source>Where a trial left more noise than elsewhere</source>
        <translation>Wo eine Probe mehr Rauschen ließ als anderswo</translation>
    </message>
    <message>
        <source>heavy, where BM3D keeps the most detail and is worth its time.</source>
        <translation>stark, wo BM3D die meiste Zeichnung erhält und seine Zeit wert ist.</translation>
    </message>
    <message>
        <source>moderate, where sliding DCT keeps as much detail as slower methods.</source>
        <translation>mäßig, wo die gleitende DCT so viel Zeichnung erhält wie langsamere Verfahren.</translation>
    </message>
    <message>
        <source>heavy, where the residual U-Net keeps the most detail, in less time than BM3D.</source>
        <translation>stark, wo das residuale U-Net die meiste Zeichnung erhält, in weniger Zeit als BM3D.</translation>
    </message>
    <message>
        <source>light, so the quickest method loses nothing that shows.</source>
        <translation>leicht, so dass das schnellste Verfahren nichts Sichtbares verliert.</translation>
    </message>
    <message>
        <source>Texture raises what is measured, by %1 times; %2 agrees with the calmest parts and is used.</source>
        <translation>Textur erhöht das Gemessene um das %1-fache; %2 stimmt mit den ruhigsten Teilen überein und gilt.</translation>
    </message>
    <message>
        <source>Too few smooth areas to measure by; the noise is taken from what the file says of its camera.</source>
        <translation>Zu wenige glatte Flächen zum Messen; es gilt, was die Datei von ihrer Kamera sagt.</translation>
    </message>
    <message>
        <source>what the file says of its camera</source>
        <translation>was die Datei von ihrer Kamera sagt</translation>
    </message>
    <message>
        <source>that of an earlier frame of this camera</source>
        <translation>das Rauschen einer früheren Aufnahme dieser Kamera</translation>
    </message>
    <message>
        <source>that of %1 earlier frames of this camera</source>
        <translation>das Rauschen von %1 früheren Aufnahmen dieser Kamera</translation>
    </message>
    <message>
        <source>Nothing to measure noise by; %1 is used.</source>
        <translation>Nichts, woran sich Rauschen messen ließe; %1 gilt.</translation>
    </message>
    <message>
        <source>That of an earlier frame of this camera agrees.</source>
        <translation>Das einer früheren Aufnahme dieser Kamera stimmt überein.</translation>
    </message>
    <message>
        <source>That of %1 earlier frames of this camera agrees.</source>
        <translation>Das von %1 früheren Aufnahmen dieser Kamera stimmt überein.</translation>
    </message>
    <message>
        <source>At this ISO sensors usually have less; the measurement is lowered, %1 times.</source>
        <translation>Bei diesem ISO haben Sensoren gewöhnlich weniger; die Messung ist gesenkt, um das %1-fache.</translation>
    </message>
    <message>
        <source>Neighbouring samples share their noise: it was smoothed, or coded with loss, before it was stored.</source>
        <translation>Benachbarte Werte teilen ihr Rauschen: Es wurde geglättet oder mit Verlust codiert, bevor es gespeichert wurde.</translation>
    </message>
    <message>
        <source>The noise is what was decided with the help of earlier frames of this camera.</source>
        <translation>Es gilt das Rauschen, das mit Hilfe früherer Aufnahmen dieser Kamera bestimmt wurde.</translation>
    </message>
    <message>
        <source>The picture&apos;s transparency or other extra channels were left out.</source>
        <translation>Durchsichtigkeit oder weitere Kanäle des Bildes sind weggelassen.</translation>
    </message>
    <message>
        <source>The file holds several pictures; the first is read.</source>
        <translation>Die Datei enthält mehrere Bilder; das erste ist gelesen.</translation>
    </message>
    <message>
        <source>The picture&apos;s transparency was left out.</source>
        <translation>Die Durchsichtigkeit des Bildes ist weggelassen.</translation>
    </message>
    <message>
        <source>The file holds several pictures; the main one is read.</source>
        <translation>Die Datei enthält mehrere Bilder; das hauptsächliche ist gelesen.</translation>
    </message>
    <message>
        <source>One of the file&apos;s lists of corrections cannot be read and is not shown.</source>
        <translation>Eine der Korrekturlisten der Datei ist nicht lesbar und wird nicht gezeigt.</translation>
    </message>
    <message>
        <source>The file describes a curve or lines over its samples; they were applied on reading, and a DNG made of it holds linear samples.</source>
        <translation>Die Datei beschreibt eine Kurve oder Linien über ihren Werten; sie sind beim Lesen angewandt, und ein DNG daraus enthält lineare Werte.</translation>
    </message>
    <message>
        <source>The JPEG data are damaged in places; part of the picture may be missing.</source>
        <translation>Die JPEG-Daten sind stellenweise beschädigt; ein Teil des Bildes kann fehlen.</translation>
    </message>
    <message>
        <source>The shooting data could not be read.</source>
        <translation>Die Aufnahmedaten waren nicht lesbar.</translation>
    </message>
    <message>
        <source>The JPEG is heavily compressed; a trial can soften its blocks before the method. The raw file would serve better.</source>
        <translation>Das JPEG ist stark komprimiert; eine Probe kann seine Blöcke vor dem Verfahren mildern. Die Raw-Datei wäre besser.</translation>
    </message>
    <message>
        <source>Its colour profile is more than curves and a matrix; the picture was converted to sRGB.</source>
        <translation>Ihr Farbprofil ist mehr als Kurven und eine Matrix; das Bild wurde nach sRGB gewandelt.</translation>
    </message>
    <message>
        <source>Grain measures %1 of the mid-tone and colour noise %2: %3</source>
        <translation>Das Korn misst %1 des Mitteltons und das Farbrauschen %2: %3</translation>
    </message>
    <message>
        <source>The noise is measured with little certainty, so less of it is taken.</source>
        <translation>Das Rauschen ist mit wenig Sicherheit gemessen, deshalb wird weniger davon genommen.</translation>
    </message>
    <message>
        <source>%1 of %2 rows hold no picture (one flat value); the file may be damaged.</source>
        <translation>%1 von %2 Zeilen enthalten kein Bild (einen einzigen Wert); die Datei kann beschädigt sein.</translation>
    </message>
    <message>
        <source>By the sensor&apos;s masked border black lies up to %1 above what the file says; the border is believed.</source>
        <translation>Nach dem abgedeckten Rand des Sensors liegt Schwarz bis zu %1 über dem, was die Datei sagt; dem Rand wird geglaubt.</translation>
    </message>
    <message>
        <source>By the sensor&apos;s masked border black lies up to %1 below what the file says; the border is believed.</source>
        <translation>Nach dem abgedeckten Rand des Sensors liegt Schwarz bis zu %1 unter dem, was die Datei sagt; dem Rand wird geglaubt.</translation>
    </message>
    <message>
        <source>Its %1-bit floats were rounded to 16 bits; values below 0 and above 1 were cut off.</source>
        <translation>Ihre Gleitkommazahlen von %1 Bit wurden auf 16 Bit gerundet; Werte unter 0 und über 1 wurden abgeschnitten.</translation>
    </message>
    <message>
        <source>Its %1-bit numbers were rounded to 16 bits; values below 0 and above 1 were cut off.</source>
        <translation>Ihre Zahlen von %1 Bit wurden auf 16 Bit gerundet; Werte unter 0 und über 1 wurden abgeschnitten.</translation>
    </message>
    <message>
        <source>The file describes corrections that are kept in a DNG but not shown: %1.</source>
        <translation>Die Datei beschreibt Korrekturen, die in einem DNG bleiben, aber nicht gezeigt werden: %1.</translation>
    </message>
    <message>
        <source>%1 was not written: the picture could not be coded.</source>
        <translation>%1 ist nicht geschrieben: Das Bild ließ sich nicht kodieren.</translation>
    </message>
    <message>
        <source>The %1 strength must lie between %2 and %3, not at %4.</source>
        <translation>Die Stärke für %1 muss zwischen %2 und %3 liegen, nicht bei %4.</translation>
    </message>
    <message>
        <source>The setting %1 must lie between %2 and %3, not at %4.</source>
        <translation>Die Einstellung %1 muss zwischen %2 und %3 liegen, nicht bei %4.</translation>
    </message>
    <message>
        <source>There is no method called &quot;%1&quot;; there is: %2.</source>
        <translation>Ein Verfahren namens „%1“ gibt es nicht; es gibt: %2.</translation>
    </message>
    <message>
        <source>The correction of %1 is beyond what any lens needs; nothing was changed.</source>
        <translation>Die Korrektur (%1) übersteigt, was irgendein Objektiv braucht; nichts wurde geändert.</translation>
    </message>
    <message>
        <source>lateral aberration</source>
        <translation>Farbquerfehler</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>Verzeichnung</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>Randabschattung</translation>
    </message>
    <message>
        <source>coloured fringes</source>
        <translation>farbige Säume</translation>
    </message>
    <message>
        <source>lens correction</source>
        <translation>Objektivkorrektur</translation>
    </message>
    <message>
        <source>A frame can have %1 regions, not %2.</source>
        <translation>Eine Aufnahme kann %1 Bereiche haben, nicht %2.</translation>
    </message>
    <message>
        <source>The setting %1 of the region &quot;%2&quot; is out of its range.</source>
        <translation>Die Einstellung %1 des Bereichs „%2“ liegt außerhalb ihrer Grenzen.</translation>
    </message>
    <message>
        <source>set of regions</source>
        <translation>Satz von Bereichen</translation>
    </message>
    <message>
        <source>regions</source>
        <translation>Bereiche</translation>
    </message>
    <message>
        <source>%1 would be larger than the four gigabytes that a DNG may have.</source>
        <translation>%1 würde größer als die vier Gigabyte, die ein DNG haben darf.</translation>
    </message>
    <message>
        <source>%1 would be a %2 of %3 GB, and such files end at %4.</source>
        <translation>%1 würde eine Datei (%2) von %3 GB, und solche Dateien enden bei %4.</translation>
    </message>
    <message>
        <source>Nothing was written.</source>
        <translation>Nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>linear DNG</source>
        <translation>lineares DNG</translation>
    </message>
    <message>
        <source>Such a sensor cannot be kept in a DNG of this version.</source>
        <translation>Ein solcher Sensor lässt sich in einem DNG dieser Version nicht behalten.</translation>
    </message>
    <message>
        <source>A DNG of sensor samples takes a third of it.</source>
        <translation>Ein DNG der Sensorwerte braucht ein Drittel davon.</translation>
    </message>
    <message>
        <source>Fewer bits, or a DNG, would do.</source>
        <translation>Weniger Bits oder ein DNG täten es.</translation>
    </message>
    <message>
        <source>%1 has more than 65,500 pixels along a side, which no JPEG can hold; a PNG can. Nothing was written.</source>
        <translation>%1 hat mehr als 65.500 Pixel an einer Seite, was kein JPEG fasst; ein PNG fasst es. Nichts wurde geschrieben.</translation>
    </message>
    <message>
        <source>it could not be decoded (%1)</source>
        <translation>Sie ließ sich nicht dekodieren (%1),</translation>
    </message>
    <message>
        <source>its size was wrong</source>
        <translation>Ihre Größe stimmte nicht,</translation>
    </message>
    <message>
        <source>%1 differed</source>
        <translation>%1 wichen ab,</translation>
    </message>
    <message>
        <source>its samples differed</source>
        <translation>Ihre Werte wichen ab,</translation>
    </message>
    <message>
        <source>%1 was not written: %2 when it was read back. Nothing was left behind and the original is untouched.</source>
        <translation>%1 ist nicht geschrieben: %2 als sie zurückgelesen wurde. Nichts blieb liegen, und das Original ist unberührt.</translation>
    </message>
    <message>
        <source>%1 is a finished picture and not raw; it can be written as a TIFF.</source>
        <translation>%1 ist ein fertiges Bild und kein Raw; es lässt sich als TIFF schreiben.</translation>
    </message>
    <message>
        <source>the shooting data could not be added</source>
        <translation>Die Aufnahmedaten ließen sich nicht hinzufügen,</translation>
    </message>
    <message>
        <source>its pixels differed</source>
        <translation>Ihre Pixel wichen ab,</translation>
    </message>
    <message>
        <source>what it tells of its making differed</source>
        <translation>Was sie von ihrer Entstehung sagt, wich ab,</translation>
    </message>
    <message>
        <source>A TIFF has 8, 16 or 32 bits, not %1.</source>
        <translation>Ein TIFF hat 8, 16 oder 32 Bit, nicht %1.</translation>
    </message>
    <message>
        <source>The resolution must lie between 1 and 10000 dots an inch.</source>
        <translation>Die Auflösung muss zwischen 1 und 10000 Punkten je Zoll liegen.</translation>
    </message>
    <message>
        <source>The name &quot;%1&quot; holds {%2}, which stands for nothing; use {name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} or {counter}.</source>
        <translation>Der Name „%1“ enthält {%2}, das für nichts steht; möglich sind {name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} und {counter}.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be the name of a file.</source>
        <translation>„%1“ kann kein Dateiname sein.</translation>
    </message>
    <message>
        <source>The sidecar %1 cannot be read; the picture itself was written.</source>
        <translation>Die Begleitdatei %1 ist nicht zu lesen; das Bild selbst ist geschrieben.</translation>
    </message>
    <message>
        <source>%1 cannot be found.</source>
        <translation>%1 ist nicht zu finden.</translation>
    </message>
    <message>
        <source>%1 is no picture whose metadata can be read.</source>
        <translation>%1 ist kein Bild, dessen Metadaten zu lesen sind.</translation>
    </message>
    <message>
        <source>list of decisions</source>
        <translation>Liste der Entscheidungen</translation>
    </message>
    <message>
        <source>queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>recipe</source>
        <translation>Rezept</translation>
    </message>
    <message>
        <source>session</source>
        <translation>Sitzung</translation>
    </message>
    <message>
        <source>Stopped as asked; nothing was changed.</source>
        <translation>Wie gewünscht angehalten; nichts wurde geändert.</translation>
    </message>
    <message>
        <source>The file was left as it is.</source>
        <translation>Die Datei blieb, wie sie ist.</translation>
    </message>
    <message>
        <source>is too large to be what it should be</source>
        <translation>ist zu groß, um zu sein, was es sein soll</translation>
    </message>
    <message>
        <source>could not be read to its end</source>
        <translation>ließ sich nicht bis zum Ende lesen</translation>
    </message>
    <message>
        <source>The %1 %2 is too large to be what it should be.</source>
        <translation>%2 (%1) ist zu groß, um zu sein, was es sein soll.</translation>
    </message>
    <message>
        <source>The %1 %2 cannot be read.</source>
        <translation>%2 (%1) ist nicht zu lesen.</translation>
    </message>
    <message>
        <source>is too large to be matched in the memory that there is</source>
        <translation>ist zu groß, um im vorhandenen Speicher zur Deckung gebracht zu werden</translation>
    </message>
    <message>
        <source>%1 does not look like a rendition of %2; it was not pinned.</source>
        <translation>%1 sieht nicht nach einer Fassung von %2 aus; es wurde nicht angeheftet.</translation>
    </message>
    <message>
        <source>camera&apos;s page</source>
        <translation>Seite der Kamera</translation>
    </message>
    <message>
        <source>%1 is smaller than 16 x 16 pixels; its noise cannot be measured.</source>
        <translation>%1 ist kleiner als 16 x 16 Pixel; sein Rauschen lässt sich nicht messen.</translation>
    </message>
    <message>
        <source>holds no picture: %1 of its %2 rows are one flat value</source>
        <translation>enthält kein Bild: %1 von %2 Zeilen sind ein einziger Wert</translation>
    </message>
    <message>
        <source>is damaged: its tag %1 %2</source>
        <translation>ist beschädigt: Sein Eintrag %1 %2</translation>
    </message>
    <message>
        <source>holds %1 numbers, where at most %2 make sense</source>
        <translation>enthält %1 Zahlen, wo höchstens %2 Sinn haben</translation>
    </message>
    <message>
        <source>holds a number that cannot be</source>
        <translation>enthält eine Zahl, die nicht sein kann</translation>
    </message>
    <message>
        <source>cannot be opened for reading</source>
        <translation>lässt sich nicht zum Lesen öffnen</translation>
    </message>
    <message>
        <source>has no metadata that can be read</source>
        <translation>hat keine lesbaren Metadaten</translation>
    </message>
    <message>
        <source>could not be decoded for want of memory</source>
        <translation>ließ sich aus Mangel an Speicher nicht dekodieren</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>wurde nicht bis zum Ende dekodiert</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>bricht ab</translation>
    </message>
    <message>
        <source>has a broken header</source>
        <translation>hat einen zerstörten Kopf</translation>
    </message>
    <message>
        <source>has another size than its place</source>
        <translation>hat eine andere Größe als sein Platz</translation>
    </message>
    <message>
        <source>has neither one nor three colours</source>
        <translation>hat weder eine noch drei Farben</translation>
    </message>
    <message>
        <source>holds no picture</source>
        <translation>enthält kein Bild</translation>
    </message>
    <message>
        <source>could not be decoded</source>
        <translation>ließ sich nicht dekodieren</translation>
    </message>
    <message>
        <source>is not a raw photograph that LibRaw %1 can read; if its camera is newer than that, convert the file to DNG with its maker&apos;s or any other converter</source>
        <translation>ist kein Raw, das LibRaw %1 lesen kann; ist die Kamera neuer, so wandeln Sie die Datei mit dem Programm des Herstellers oder einem anderen in DNG um</translation>
    </message>
    <message>
        <source>is not a raw photograph that can be read</source>
        <translation>ist kein lesbares Raw</translation>
    </message>
    <message>
        <source>could not be decoded (%1)</source>
        <translation>ließ sich nicht dekodieren (%1)</translation>
    </message>
    <message>
        <source>is damaged: its picture data break off or contradict themselves</source>
        <translation>ist beschädigt: Seine Bilddaten brechen ab oder widersprechen sich</translation>
    </message>
    <message>
        <source>does not hold one sample at each place of a sensor pattern</source>
        <translation>enthält nicht an jedem Platz eines Sensormusters einen Wert</translation>
    </message>
    <message>
        <source>has a sensor pattern other than red, green and blue in two by two or six by six</source>
        <translation>hat ein anderes Sensormuster als Rot, Grün und Blau in zwei mal zwei oder sechs mal sechs</translation>
    </message>
    <message>
        <source>holds %1 colours at each place; three are read</source>
        <translation>enthält an jedem Platz %1 Farben; gelesen werden drei</translation>
    </message>
    <message>
        <source>is smaller than 16 x 16 pixels</source>
        <translation>ist kleiner als 16 x 16 Pixel</translation>
    </message>
    <message>
        <source>has an active area outside its samples</source>
        <translation>hat eine aktive Fläche außerhalb seiner Werte</translation>
    </message>
    <message>
        <source>has a black level that is not below its white level</source>
        <translation>hat einen Schwarzwert, der nicht unter dem Weißwert liegt</translation>
    </message>
    <message>
        <source>is too large for a picture of its kind</source>
        <translation>ist zu groß für ein Bild seiner Art</translation>
    </message>
    <message>
        <source>could not be decoded: its JPEG XL picture %1</source>
        <translation>ließ sich nicht dekodieren: Sein JPEG-XL-Bild %1</translation>
    </message>
    <message>
        <source>claims a size that no picture has</source>
        <translation>gibt eine Größe an, die kein Bild hat</translation>
    </message>
    <message>
        <source>tells its colours in a way that this version does not read (primaries %1, transfer %2)</source>
        <translation>gibt seine Farben auf eine Weise an, die diese Version nicht liest (Primärfarben %1, Übertragung %2)</translation>
    </message>
    <message>
        <source>The folder %1 cannot be read: %2.</source>
        <translation>Der Ordner %1 ist nicht zu lesen: %2.</translation>
    </message>
    <message>
        <source>is coded in more scans than any program writes</source>
        <translation>ist in mehr Durchgängen kodiert, als irgendein Programm schreibt</translation>
    </message>
    <message>
        <source>is a JPEG of %1 bits a sample; those of 8 bits are read</source>
        <translation>ist ein JPEG von %1 Bit je Wert; gelesen werden solche von 8 Bit</translation>
    </message>
    <message>
        <source>is meant for printing inks (CMYK); save it as RGB</source>
        <translation>ist für Druckfarben bestimmt (CMYK); speichern Sie es als RGB</translation>
    </message>
    <message>
        <source>is not a TIFF that can be read</source>
        <translation>ist kein lesbares TIFF</translation>
    </message>
    <message>
        <source>stores its colours in a way that this version does not read (YCbCr)</source>
        <translation>speichert seine Farben auf eine Weise, die diese Version nicht liest (YCbCr)</translation>
    </message>
    <message>
        <source>is neither RGB nor grey; save it as RGB</source>
        <translation>ist weder RGB noch grau; speichern Sie es als RGB</translation>
    </message>
    <message>
        <source>stores %1 bits a sample; 8, 16 and floats of 16 and 32 are read</source>
        <translation>speichert %1 Bit je Wert; gelesen werden 8, 16 und Gleitkommazahlen von 16 und 32</translation>
    </message>
    <message>
        <source>has fewer samples a pixel than its colours need</source>
        <translation>hat weniger Werte je Pixel, als seine Farben brauchen</translation>
    </message>
    <message>
        <source>is cut off or damaged: a piece of the picture could not be decoded</source>
        <translation>ist abgeschnitten oder beschädigt: Ein Stück des Bildes ließ sich nicht dekodieren</translation>
    </message>
    <message>
        <source>has a colour profile that cannot be understood</source>
        <translation>hat ein Farbprofil, das nicht zu verstehen ist</translation>
    </message>
    <message>
        <source>is empty</source>
        <translation>ist leer</translation>
    </message>
    <message>
        <source>is a BigTIFF, which is not read as raw</source>
        <translation>ist ein BigTIFF, das nicht als Raw gelesen wird</translation>
    </message>
    <message>
        <source>is not a raw photograph</source>
        <translation>ist kein Raw</translation>
    </message>
    <message>
        <source>holds no directory</source>
        <translation>enthält kein Verzeichnis</translation>
    </message>
    <message>
        <source>%1 asks for more memory than there is. Nothing was changed.</source>
        <translation>%1 verlangt mehr Speicher, als da ist. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>%1 claims sizes that cannot be. Nothing was changed.</source>
        <translation>%1 gibt Größen an, die nicht sein können. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>%1 could not be worked on: a library gave up (%2). Nothing was changed.</source>
        <translation>%1 ließ sich nicht bearbeiten: Eine Bibliothek gab auf (%2). Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>%1 could not be worked on: a library gave up without a reason. Nothing was changed.</source>
        <translation>%1 ließ sich nicht bearbeiten: Eine Bibliothek gab ohne Grund auf. Nichts wurde geändert.</translation>
    </message>
    <message>
        <source>hard to measure in full colour, where the network sees noise for itself.</source>
        <translation>in voller Farbe schwer zu messen, wo das Netz Rauschen selbst sieht.</translation>
    </message>
    <message>
        <source>The file holds colours: %1 takes their place, which answers them without demosaicing.</source>
        <translation>Die Datei enthält Farben: An die Stelle tritt %1, das sie ohne Demosaiken bestimmt.</translation>
    </message>
</context>
<context>
    <name>irenic::Actions</name>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Datei</translation>
    </message>
    <message>
        <source>&amp;Open frames...</source>
        <translation>Aufnahmen ö&amp;ffnen ...</translation>
    </message>
    <message>
        <source>Open &amp;folder...</source>
        <translation>&amp;Ordner öffnen ...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Ctrl+Shift+O</translation>
    </message>
    <message>
        <source>&amp;Recent frames</source>
        <translation>&amp;Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Open &amp;demo roll</source>
        <translation>&amp;Demofilm öffnen</translation>
    </message>
    <message>
        <source>Open a &amp;session...</source>
        <translation>&amp;Sitzung öffnen ...</translation>
    </message>
    <message>
        <source>&amp;Continue where you left off</source>
        <translation>&amp;Weitermachen, wo ich aufgehört habe</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Ctrl+L</translation>
    </message>
    <message>
        <source>Save the session &amp;as...</source>
        <translation>Sitzung speichern &amp;unter ...</translation>
    </message>
    <message>
        <source>Ctrl+S</source>
        <translation>Ctrl+S</translation>
    </message>
    <message>
        <source>&amp;Export...</source>
        <translation>&amp;Exportieren ...</translation>
    </message>
    <message>
        <source>Ctrl+E</source>
        <translation>Ctrl+E</translation>
    </message>
    <message>
        <source>Ctrl+Return</source>
        <translation>Ctrl+Return</translation>
    </message>
    <message>
        <source>Quick clean of the &amp;whole roll</source>
        <translation>Den &amp;ganzen Film schnell entrauschen</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Return</source>
        <translation>Ctrl+Shift+Return</translation>
    </message>
    <message>
        <source>Ctrl+Shift+E</source>
        <translation>Ctrl+Shift+E</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Rückgängig</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Wiederholen</translation>
    </message>
    <message>
        <source>F&amp;rame</source>
        <translation>&amp;Aufnahme</translation>
    </message>
    <message>
        <source>&amp;Next frame</source>
        <translation>&amp;Nächste Aufnahme</translation>
    </message>
    <message>
        <source>&amp;Previous frame</source>
        <translation>&amp;Vorige Aufnahme</translation>
    </message>
    <message>
        <source>Pin a &amp;guest...</source>
        <translation>Einen &amp;Gast anheften ...</translation>
    </message>
    <message>
        <source>Ctrl+G</source>
        <translation>Ctrl+G</translation>
    </message>
    <message>
        <source>Pin the &amp;clean picture (demo roll)</source>
        <translation>Das &amp;saubere Bild anheften (Demofilm)</translation>
    </message>
    <message>
        <source>Stop measuring frames that &amp;wait</source>
        <translation>Das Messen &amp;wartender Aufnahmen anhalten</translation>
    </message>
    <message>
        <source>Learn from frames of the same ca&amp;mera</source>
        <translation>Von Aufnahmen derselben &amp;Kamera lernen</translation>
    </message>
    <message>
        <source>&amp;Forget a camera</source>
        <translation>Eine Kamera ve&amp;rgessen</translation>
    </message>
    <message>
        <source>&amp;Take this frame off the roll</source>
        <translation>Diese Aufnahme vom &amp;Film nehmen</translation>
    </message>
    <message>
        <source>Ctrl+Delete</source>
        <translation>Ctrl+Delete</translation>
    </message>
    <message>
        <source>Take &amp;down this guest</source>
        <translation>Diesen Gast &amp;abnehmen</translation>
    </message>
    <message>
        <source>Take down guests that are &amp;away</source>
        <translation>Fehlende Gäste a&amp;bnehmen</translation>
    </message>
    <message>
        <source>&amp;Spot</source>
        <translation>&amp;Stelle</translation>
    </message>
    <message>
        <source>&amp;Mark a spot in the middle of the view</source>
        <translation>Stelle in der &amp;Mitte der Ansicht markieren</translation>
    </message>
    <message>
        <source>&amp;Rename the spot...</source>
        <translation>Stelle &amp;umbenennen ...</translation>
    </message>
    <message>
        <source>Move the spot &amp;here</source>
        <translation>Stelle &amp;hierher rücken</translation>
    </message>
    <message>
        <source>Shift+S</source>
        <translation>Shift+S</translation>
    </message>
    <message>
        <source>Spot &amp;earlier</source>
        <translation>Stelle &amp;früher</translation>
    </message>
    <message>
        <source>Alt+Left</source>
        <translation>Alt+Left</translation>
    </message>
    <message>
        <source>Spot &amp;later</source>
        <translation>Stelle &amp;später</translation>
    </message>
    <message>
        <source>Alt+Right</source>
        <translation>Alt+Right</translation>
    </message>
    <message>
        <source>Remo&amp;ve the spot</source>
        <translation>Stelle &amp;entfernen</translation>
    </message>
    <message>
        <source>Shift+Delete</source>
        <translation>Shift+Delete</translation>
    </message>
    <message>
        <source>&amp;Carry the spots to every frame of this size</source>
        <translation>Die Stellen zu jeder Aufnahme dieser Größe &amp;tragen</translation>
    </message>
    <message>
        <source>No other frame of this size lacks them.</source>
        <translation>Keiner anderen Aufnahme dieser Größe fehlen sie.</translation>
    </message>
    <message>
        <source>The spots are on one other frame now.</source>
        <translation>Die Stellen sind jetzt auf einer weiteren Aufnahme.</translation>
    </message>
    <message>
        <source>&amp;Go to</source>
        <translation>&amp;Gehe zu</translation>
    </message>
    <message>
        <source>Go to spot %1</source>
        <translation>Zu Stelle %1 gehen</translation>
    </message>
    <message>
        <source>&amp;Trial</source>
        <translation>&amp;Probe</translation>
    </message>
    <message>
        <source>&amp;New trial</source>
        <translation>&amp;Neue Probe</translation>
    </message>
    <message>
        <source>&amp;Duplicate this trial</source>
        <translation>Diese Probe &amp;verdoppeln</translation>
    </message>
    <message>
        <source>Ctrl+D</source>
        <translation>Ctrl+D</translation>
    </message>
    <message>
        <source>&amp;Remove this trial</source>
        <translation>Diese Probe &amp;entfernen</translation>
    </message>
    <message>
        <source>Next page of the stri&amp;ps</source>
        <translation>Nächste Seite der &amp;Streifen</translation>
    </message>
    <message>
        <source>&amp;Keep this trial</source>
        <translation>Diese Probe &amp;behalten</translation>
    </message>
    <message>
        <source>Return to the &amp;suggestion</source>
        <translation>Zurück zum V&amp;orschlag</translation>
    </message>
    <message>
        <source>Start from your &amp;own taste</source>
        <translation>Vom ei&amp;genen Geschmack ausgehen</translation>
    </message>
    <message>
        <source>Shift+Backspace</source>
        <translation>Shift+Backspace</translation>
    </message>
    <message>
        <source>Your own starting point...</source>
        <translation>Der eigene Ausgangspunkt ...</translation>
    </message>
    <message>
        <source>Re&amp;gions</source>
        <translation>Be&amp;reiche</translation>
    </message>
    <message>
        <source>Re&amp;gions take part in this trial</source>
        <translation>Be&amp;reiche wirken in dieser Probe mit</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Ctrl+R</translation>
    </message>
    <message>
        <source>Pa&amp;int the region</source>
        <translation>Den Bereich &amp;malen</translation>
    </message>
    <message>
        <source>Ctrl+B</source>
        <translation>Ctrl+B</translation>
    </message>
    <message>
        <source>Take away from the region</source>
        <translation>Vom Bereich wegnehmen</translation>
    </message>
    <message>
        <source>Ctrl+Shift+B</source>
        <translation>Ctrl+Shift+B</translation>
    </message>
    <message>
        <source>Met&amp;hod and strength</source>
        <translation>Ver&amp;fahren und Stärke</translation>
    </message>
    <message>
        <source>Next &amp;method</source>
        <translation>Nächstes &amp;Verfahren</translation>
    </message>
    <message>
        <source>More luminance strength</source>
        <translation>Mehr Luminanzstärke</translation>
    </message>
    <message>
        <source>Ctrl+Right</source>
        <translation>Ctrl+Right</translation>
    </message>
    <message>
        <source>Less luminance strength</source>
        <translation>Weniger Luminanzstärke</translation>
    </message>
    <message>
        <source>Ctrl+Left</source>
        <translation>Ctrl+Left</translation>
    </message>
    <message>
        <source>More colour strength</source>
        <translation>Mehr Farbstärke</translation>
    </message>
    <message>
        <source>Ctrl+Up</source>
        <translation>Ctrl+Up</translation>
    </message>
    <message>
        <source>Less colour strength</source>
        <translation>Weniger Farbstärke</translation>
    </message>
    <message>
        <source>Ctrl+Down</source>
        <translation>Ctrl+Down</translation>
    </message>
    <message>
        <source>Go to trial %1</source>
        <translation>Zu Probe %1 gehen</translation>
    </message>
    <message>
        <source>Next column</source>
        <translation>Nächste Spalte</translation>
    </message>
    <message>
        <source>Previous column</source>
        <translation>Vorige Spalte</translation>
    </message>
    <message>
        <source>Next row</source>
        <translation>Nächste Reihe</translation>
    </message>
    <message>
        <source>Shift+PgDown</source>
        <translation>Shift+PgDown</translation>
    </message>
    <message>
        <source>Previous row</source>
        <translation>Vorige Reihe</translation>
    </message>
    <message>
        <source>Shift+PgUp</source>
        <translation>Shift+PgUp</translation>
    </message>
    <message>
        <source>Move this trial to the left</source>
        <translation>Diese Probe nach links rücken</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Left</source>
        <translation>Ctrl+Shift+Left</translation>
    </message>
    <message>
        <source>Move this trial to the right</source>
        <translation>Diese Probe nach rechts rücken</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Right</source>
        <translation>Ctrl+Shift+Right</translation>
    </message>
    <message>
        <source>Re&amp;cipes</source>
        <translation>Re&amp;zepte</translation>
    </message>
    <message>
        <source>Save as a r&amp;ecipe...</source>
        <translation>Als Re&amp;zept sichern ...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+R</source>
        <translation>Ctrl+Shift+R</translation>
    </message>
    <message>
        <source>&amp;Import a recipe...</source>
        <translation>Ein Rezept &amp;importieren ...</translation>
    </message>
    <message>
        <source>Nothing was learned yet</source>
        <translation>Noch wurde nichts gelernt</translation>
    </message>
    <message>
        <source>%1   (one frame)</source>
        <translation>%1   (eine Aufnahme)</translation>
    </message>
    <message>
        <source>Forgot %1. Frames that are open keep their noise as it was measured.</source>
        <translation>%1 vergessen. Offene Aufnahmen behalten ihr Rauschen, wie es gemessen wurde.</translation>
    </message>
    <message>
        <source>&amp;Compare</source>
        <translation>&amp;Vergleichen</translation>
    </message>
    <message>
        <source>&amp;Test strip</source>
        <translation>&amp;Probestreifen</translation>
    </message>
    <message>
        <source>&amp;Ring-around of strengths</source>
        <translation>&amp;Rundumprobe der Stärken</translation>
    </message>
    <message>
        <source>Shift+T</source>
        <translation>Shift+T</translation>
    </message>
    <message>
        <source>Ring-around of &amp;methods</source>
        <translation>Rundumprobe der &amp;Verfahren</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Ctrl+T</translation>
    </message>
    <message>
        <source>&amp;Loupe</source>
        <translation>&amp;Lupe</translation>
    </message>
    <message>
        <source>&amp;Blind round</source>
        <translation>&amp;Blindvergleich</translation>
    </message>
    <message>
        <source>Bl&amp;ink: the columns in turn in this place</source>
        <translation>Bl&amp;inken: die Spalten nacheinander an dieser Stelle</translation>
    </message>
    <message>
        <source>Another pace of the blinking</source>
        <translation>Ein anderes Tempo des Blinkens</translation>
    </message>
    <message>
        <source>Shift+Z</source>
        <translation>Shift+Z</translation>
    </message>
    <message>
        <source>&amp;Difference of the others from this column</source>
        <translation>&amp;Unterschied der anderen zu dieser Spalte</translation>
    </message>
    <message>
        <source>Shift+D</source>
        <translation>Shift+D</translation>
    </message>
    <message>
        <source>Differences stronger</source>
        <translation>Unterschiede stärker</translation>
    </message>
    <message>
        <source>Ctrl+Shift+D</source>
        <translation>Ctrl+Shift+D</translation>
    </message>
    <message>
        <source>&amp;Figures of the pixel under the pointer</source>
        <translation>Werte des Pixels unter dem &amp;Zeiger</translation>
    </message>
    <message>
        <source>Measure the &amp;whole frame</source>
        <translation>Die &amp;ganze Aufnahme messen</translation>
    </message>
    <message>
        <source>Ctrl+J</source>
        <translation>Ctrl+J</translation>
    </message>
    <message>
        <source>&amp;Look</source>
        <translation>Ans&amp;icht</translation>
    </message>
    <message>
        <source>&amp;Magnification</source>
        <translation>&amp;Vergrößerung</translation>
    </message>
    <message>
        <source>Whole frame</source>
        <translation>Ganze Aufnahme</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Ctrl+0</source>
        <translation>Ctrl+0</translation>
    </message>
    <message>
        <source>Ctrl+5</source>
        <translation>Ctrl+5</translation>
    </message>
    <message>
        <source>Ctrl+%1</source>
        <translation>Ctrl+%1</translation>
    </message>
    <message>
        <source>Closer</source>
        <translation>Näher heran</translation>
    </message>
    <message>
        <source>Further off</source>
        <translation>Weiter weg</translation>
    </message>
    <message>
        <source>At &amp;output size...</source>
        <translation>In &amp;Ausgabegröße ...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+0</source>
        <translation>Ctrl+Shift+0</translation>
    </message>
    <message>
        <source>One row more</source>
        <translation>Eine Reihe mehr</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Down</source>
        <translation>Ctrl+Shift+Down</translation>
    </message>
    <message>
        <source>One row fewer</source>
        <translation>Eine Reihe weniger</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Up</source>
        <translation>Ctrl+Shift+Up</translation>
    </message>
    <message>
        <source>Unfold the strips</source>
        <translation>Streifen ausklappen</translation>
    </message>
    <message>
        <source>Untreated column</source>
        <translation>Unbehandelte Spalte</translation>
    </message>
    <message>
        <source>Look &amp;elsewhere</source>
        <translation>&amp;Anderswohin schauen</translation>
    </message>
    <message>
        <source>Look further left</source>
        <translation>Weiter nach links</translation>
    </message>
    <message>
        <source>Shift+Left</source>
        <translation>Shift+Left</translation>
    </message>
    <message>
        <source>Look further right</source>
        <translation>Weiter nach rechts</translation>
    </message>
    <message>
        <source>Shift+Right</source>
        <translation>Shift+Right</translation>
    </message>
    <message>
        <source>Look further up</source>
        <translation>Weiter nach oben</translation>
    </message>
    <message>
        <source>Shift+Up</source>
        <translation>Shift+Up</translation>
    </message>
    <message>
        <source>Look further down</source>
        <translation>Weiter nach unten</translation>
    </message>
    <message>
        <source>Shift+Down</source>
        <translation>Shift+Down</translation>
    </message>
    <message>
        <source>Push by half a stop more</source>
        <translation>Eine halbe Blende mehr Push</translation>
    </message>
    <message>
        <source>Push by half a stop less</source>
        <translation>Eine halbe Blende weniger Push</translation>
    </message>
    <message>
        <source>Shift+P</source>
        <translation>Shift+P</translation>
    </message>
    <message>
        <source>&amp;Side that is shown</source>
        <translation>&amp;Gezeigte Seite</translation>
    </message>
    <message>
        <source>Show the &amp;untreated pixels everywhere</source>
        <translation>Überall die &amp;unbehandelten Pixel zeigen</translation>
    </message>
    <message>
        <source>Shift+Space</source>
        <translation>Shift+Space</translation>
    </message>
    <message>
        <source>&amp;Removed</source>
        <translation>&amp;Entferntes</translation>
    </message>
    <message>
        <source>Shift+R</source>
        <translation>Shift+R</translation>
    </message>
    <message>
        <source>&amp;Luminance only</source>
        <translation>Nur &amp;Luminanz</translation>
    </message>
    <message>
        <source>Shift+L</source>
        <translation>Shift+L</translation>
    </message>
    <message>
        <source>C&amp;olour only</source>
        <translation>Nur &amp;Farbe</translation>
    </message>
    <message>
        <source>Shift+O</source>
        <translation>Shift+O</translation>
    </message>
    <message>
        <source>What sharpening &amp;spares</source>
        <translation>Was das Schärfen &amp;verschont</translation>
    </message>
    <message>
        <source>Shift+V</source>
        <translation>Shift+V</translation>
    </message>
    <message>
        <source>&amp;Clipping</source>
        <translation>&amp;Beschnitt</translation>
    </message>
    <message>
        <source>Shift+X</source>
        <translation>Shift+X</translation>
    </message>
    <message>
        <source>Dou&amp;bt: detail that may be made up</source>
        <translation>&amp;Zweifel: Zeichnung, die erfunden sein kann</translation>
    </message>
    <message>
        <source>Shift+Q</source>
        <translation>Shift+Q</translation>
    </message>
    <message>
        <source>&amp;Wall</source>
        <translation>&amp;Wand</translation>
    </message>
    <message>
        <source>&amp;Dim wall</source>
        <translation>&amp;Dunkle Wand</translation>
    </message>
    <message>
        <source>&amp;Mid-grey wall</source>
        <translation>&amp;Mittelgraue Wand</translation>
    </message>
    <message>
        <source>&amp;Pale wall</source>
        <translation>&amp;Helle Wand</translation>
    </message>
    <message>
        <source>S&amp;creen</source>
        <translation>B&amp;ildschirm</translation>
    </message>
    <message>
        <source>Screen&apos;s profile as the s&amp;ystem says</source>
        <translation>Bildschirmprofil, wie das &amp;System es nennt</translation>
    </message>
    <message>
        <source>Show as sRGB</source>
        <translation>Als sRGB zeigen</translation>
    </message>
    <message>
        <source>Screen&apos;s profile from a &amp;file...</source>
        <translation>Bildschirmprofil aus einer &amp;Datei ...</translation>
    </message>
    <message>
        <source>&amp;Window</source>
        <translation>&amp;Fenster</translation>
    </message>
    <message>
        <source>&amp;Contact sheet</source>
        <translation>&amp;Kontaktbogen</translation>
    </message>
    <message>
        <source>Shift+F9</source>
        <translation>Shift+F9</translation>
    </message>
    <message>
        <source>Show the &amp;roll</source>
        <translation>Den &amp;Film zeigen</translation>
    </message>
    <message>
        <source>Shift+F4</source>
        <translation>Shift+F4</translation>
    </message>
    <message>
        <source>Reset the &amp;arrangement</source>
        <translation>&amp;Anordnung zurücksetzen</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;Commands and keys...</source>
        <translation>&amp;Befehle und Tasten ...</translation>
    </message>
    <message>
        <source>Ctrl+K</source>
        <translation>Ctrl+K</translation>
    </message>
    <message>
        <source>&amp;Pages about Irenic...</source>
        <translation>&amp;Seiten über Irenic ...</translation>
    </message>
    <message>
        <source>Shift+F1</source>
        <translation>Shift+F1</translation>
    </message>
    <message>
        <source>&amp;What to try</source>
        <translation>&amp;Was zu versuchen ist</translation>
    </message>
    <message>
        <source>&amp;Language</source>
        <translation>S&amp;prache</translation>
    </message>
    <message>
        <source>%1, from the next start on.</source>
        <translation>%1, vom nächsten Start an.</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Wie die Arbeitsumgebung</translation>
    </message>
    <message>
        <source>&amp;About Irenic</source>
        <translation>&amp;Über Irenic</translation>
    </message>
    <message>
        <source>Held keys and the pointer</source>
        <translation>Gehaltene Tasten und der Zeiger</translation>
    </message>
    <message>
        <source>Show the untreated pixels while held</source>
        <translation>Die unbehandelten Pixel zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold Space</source>
        <translation>Leertaste halten</translation>
    </message>
    <message>
        <source>Show what was removed while held</source>
        <translation>Entferntes zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold R</source>
        <translation>R halten</translation>
    </message>
    <message>
        <source>Show luminance only while held</source>
        <translation>Nur Luminanz zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold L</source>
        <translation>L halten</translation>
    </message>
    <message>
        <source>Show colour only while held</source>
        <translation>Nur Farbe zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold O</source>
        <translation>O halten</translation>
    </message>
    <message>
        <source>Show what sharpening spares while held</source>
        <translation>Zeigen, was das Schärfen verschont, solange gehalten</translation>
    </message>
    <message>
        <source>hold V</source>
        <translation>V halten</translation>
    </message>
    <message>
        <source>Show clipping while held</source>
        <translation>Beschnitt zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold X</source>
        <translation>X halten</translation>
    </message>
    <message>
        <source>Show doubt while held</source>
        <translation>Zweifel zeigen, solange gehalten</translation>
    </message>
    <message>
        <source>hold Q</source>
        <translation>Q halten</translation>
    </message>
    <message>
        <source>Mark a spot there</source>
        <translation>Dort eine Stelle markieren</translation>
    </message>
    <message>
        <source>Shift+click</source>
        <translation>Umschalt+Klick</translation>
    </message>
    <message>
        <source>In a strip: move, use the picked setting, hang it as a trial</source>
        <translation>Im Streifen: bewegen, die gewählte Einstellung nehmen, sie als Probe aufhängen</translation>
    </message>
    <message>
        <source>arrows, Enter, N</source>
        <translation>Pfeile, Eingabe, N</translation>
    </message>
    <message>
        <source>In the loupe: wipe, swap, another way of comparing</source>
        <translation>In der Lupe: wischen, tauschen, anders vergleichen</translation>
    </message>
    <message>
        <source>arrows, Q, V</source>
        <translation>Pfeile, Q, V</translation>
    </message>
    <message>
        <source>In a blind round: left is better, no difference, right is better</source>
        <translation>Im Blindvergleich: links ist besser, kein Unterschied, rechts ist besser</translation>
    </message>
    <message>
        <source>Left, Down, Right</source>
        <translation>Links, Ab, Rechts</translation>
    </message>
    <message>
        <source>On the contact sheet: up to here, one more or less, all</source>
        <translation>Auf dem Kontaktbogen: bis hierher, eine mehr oder weniger, alle</translation>
    </message>
    <message>
        <source>Shift, Ctrl, Ctrl+A</source>
        <translation>Umschalt, Strg, Strg+A</translation>
    </message>
    <message>
        <source>Back to the wall</source>
        <translation>Zurück zur Wand</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Closer and further off, about the pointer</source>
        <translation>Näher und weiter, um den Zeiger</translation>
    </message>
    <message>
        <source>wheel</source>
        <translation>Rad</translation>
    </message>
    <message>
        <source>Move all pictures together</source>
        <translation>Alle Bilder zusammen bewegen</translation>
    </message>
    <message>
        <source>drag</source>
        <translation>ziehen</translation>
    </message>
    <message>
        <source>To 200 % there, or back to the whole frame</source>
        <translation>Dort auf 200 %, oder zurück zur ganzen Aufnahme</translation>
    </message>
    <message>
        <source>double-click</source>
        <translation>Doppelklick</translation>
    </message>
    <message>
        <source>, </source>
        <translation>, </translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Quick c&amp;lean of this frame</source>
        <translation>Diese Aufnahme s&amp;chnell entrauschen</translation>
    </message>
    <message>
        <source>&amp;Picture of the comparison...</source>
        <translation>Bild des &amp;Vergleichs ...</translation>
    </message>
    <message>
        <source>Find the f&amp;ile...</source>
        <translation>Die &amp;Datei suchen ...</translation>
    </message>
    <message>
        <source>Go &amp;to, and order</source>
        <translation>Gehe zu, &amp;und Reihenfolge</translation>
    </message>
    <message>
        <source>To where most n&amp;oise is left</source>
        <translation>Dorthin, wo das &amp;meiste Rauschen blieb</translation>
    </message>
    <message>
        <source>Spots &amp;follow the series</source>
        <translation>Stellen f&amp;olgen der Serie</translation>
    </message>
    <message>
        <source>Soft &amp;proof of the output</source>
        <translation>&amp;Proof der Ausgabe</translation>
    </message>
    <message>
        <source>Shift+H</source>
        <translation>Shift+H</translation>
    </message>
    <message>
        <source>Outside the output&apos;s colours (&amp;gamut)</source>
        <translation>Außerhalb der Ausgabefarben (&amp;Gamut)</translation>
    </message>
    <message>
        <source>Shift+G</source>
        <translation>Shift+G</translation>
    </message>
    <message>
        <source>Outp&amp;ut for the proof</source>
        <translation>A&amp;usgabe für den Proof</translation>
    </message>
    <message>
        <source>&amp;sRGB</source>
        <translation>&amp;sRGB</translation>
    </message>
    <message>
        <source>Output&apos;s profile from a &amp;file...</source>
        <translation>Profil der Ausgabe aus &amp;Datei ...</translation>
    </message>
    <message>
        <source>With the &amp;white of its paper</source>
        <translation>Mit dem &amp;Weiß des Papiers</translation>
    </message>
    <message>
        <source>Show the soft proof while held; what lies outside of it where that hangs</source>
        <translation>Proof zeigen, solange gehalten; hängt er schon, was außerhalb liegt</translation>
    </message>
    <message>
        <source>hold ,</source>
        <translation>, halten</translation>
    </message>
    <message numerus="yes">
        <source>The spots are on %n other frames now.</source>
        <translation>
            <numerusform>Die Stellen sind jetzt auf %n weiterer Aufnahme.</numerusform>
            <numerusform>Die Stellen sind jetzt auf %n weiteren Aufnahmen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1   (%n frames)</source>
        <translation>
            <numerusform>%1   (%n Aufnahme)</numerusform>
            <numerusform>%1   (%n Aufnahmen)</numerusform>
        </translation>
    </message>
    <message>
        <source>Frames before and &amp;after, at this place</source>
        <translation>&amp;Aufnahmen davor und danach an dieser Stelle</translation>
    </message>
    <message>
        <source>Shift+W</source>
        <translation>Shift+W</translation>
    </message>
    <message>
        <source>No other frame of this size is on the roll.</source>
        <translation>Keine andere Aufnahme dieser Größe ist auf dem Film.</translation>
    </message>
</context>
<context>
    <name>irenic::AtomicFile</name>
    <message>
        <source>the disk is full</source>
        <translation>Der Datenträger ist voll</translation>
    </message>
    <message>
        <source>the folder may not be written to</source>
        <translation>In den Ordner darf nicht geschrieben werden</translation>
    </message>
    <message>
        <source>the drive is read-only</source>
        <translation>Das Laufwerk lässt sich nur lesen</translation>
    </message>
    <message>
        <source>the name is too long</source>
        <translation>Der Name ist zu lang</translation>
    </message>
    <message>
        <source>the folder does not exist</source>
        <translation>Den Ordner gibt es nicht</translation>
    </message>
    <message>
        <source>a file of that name is already there</source>
        <translation>Eine Datei dieses Namens ist schon da</translation>
    </message>
    <message>
        <source>the file would be larger than this drive or this account allows</source>
        <translation>Die Datei würde größer, als dieses Laufwerk oder dieses Konto erlaubt</translation>
    </message>
    <message>
        <source>the drive does not answer any more</source>
        <translation>Das Laufwerk antwortet nicht mehr</translation>
    </message>
    <message>
        <source>%1 was not written: %2. Nothing was left behind and the original is untouched.</source>
        <translation>%1 ist nicht geschrieben: %2. Nichts blieb liegen, und das Original ist unberührt.</translation>
    </message>
</context>
<context>
    <name>irenic::BlindView</name>
    <message>
        <source>Left picture</source>
        <translation>Linkes Bild</translation>
    </message>
    <message>
        <source>Right picture</source>
        <translation>Rechtes Bild</translation>
    </message>
    <message>
        <source>A blind round</source>
        <translation>Ein Blindvergleich</translation>
    </message>
    <message>
        <source>Two pictures at a time, shuffled, without names or readings. Pick the better one, or none. At the end you learn which were which, and how sure the ranking is.</source>
        <translation>Je zwei Bilder, gemischt, ohne Namen und Messwerte. Das bessere wählen, oder keins. Am Ende zeigt sich, welche welche waren und wie sicher die Rangfolge ist.</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Stellen</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Beginnen</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Zurück zur Wand (Esc)</translation>
    </message>
    <message>
        <source>Take the last back</source>
        <translation>Das Letzte zurücknehmen</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Rücktaste</translation>
    </message>
    <message>
        <source>Reveal now</source>
        <translation>Jetzt aufdecken</translation>
    </message>
    <message>
        <source>End the round here</source>
        <translation>Den Vergleich hier beenden</translation>
    </message>
    <message>
        <source>Left is better</source>
        <translation>Links ist besser</translation>
    </message>
    <message>
        <source>Left arrow</source>
        <translation>Pfeil links</translation>
    </message>
    <message>
        <source>No difference</source>
        <translation>Kein Unterschied</translation>
    </message>
    <message>
        <source>Down arrow</source>
        <translation>Pfeil ab</translation>
    </message>
    <message>
        <source>Right is better</source>
        <translation>Rechts ist besser</translation>
    </message>
    <message>
        <source>Right arrow</source>
        <translation>Pfeil rechts</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>picked</source>
        <translation>gewählt</translation>
    </message>
    <message>
        <source>passed over</source>
        <translation>übergangen</translation>
    </message>
    <message>
        <source>no difference</source>
        <translation>kein Unterschied</translation>
    </message>
    <message>
        <source>Back to the wall</source>
        <translation>Zurück zur Wand</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>Guest %1  %2</source>
        <translation>Gast %1  %2</translation>
    </message>
    <message>
        <source>the place in view</source>
        <translation>die Stelle im Blick</translation>
    </message>
    <message>
        <source>the spot</source>
        <translation>die Stelle</translation>
    </message>
    <message>
        <source>A round needs at least two pictures</source>
        <translation>Ein Vergleich braucht mindestens zwei Bilder</translation>
    </message>
    <message>
        <source>pair %1 of %2</source>
        <translation>Paar %1 von %2</translation>
    </message>
    <message>
        <source>Nothing was picked.</source>
        <translation>Nichts wurde gewählt.</translation>
    </message>
    <message>
        <source>The first two are level: you could not tell them apart.</source>
        <translation>Die ersten zwei liegen gleichauf: Sie waren nicht zu unterscheiden.</translation>
    </message>
    <message>
        <source>You preferred %1. That it is better than the next one is %2 % sure.</source>
        <translation>Bevorzugt wurde %1. Dass es besser ist als das nächste, ist zu %2 % sicher.</translation>
    </message>
    <message>
        <source> About one more pair would settle it.</source>
        <translation> Etwa ein weiteres Paar würde es entscheiden.</translation>
    </message>
    <message>
        <source>Keep %1</source>
        <translation>%1 behalten</translation>
    </message>
    <message>
        <source>A guest cannot be kept</source>
        <translation>Ein Gast kann nicht behalten werden</translation>
    </message>
    <message>
        <source>One more pair</source>
        <translation>Ein weiteres Paar</translation>
    </message>
    <message numerus="yes">
        <source>all %n spots</source>
        <translation>
            <numerusform>die %n Stelle</numerusform>
            <numerusform>alle %n Stellen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source> About %n more pairs would settle it.</source>
        <translation>
            <numerusform> Etwa %n weiteres Paar würde es entscheiden.</numerusform>
            <numerusform> Etwa %n weitere Paare würden es entscheiden.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>
Round %1, %n pairs.</source>
        <translation>
            <numerusform>
Vergleich %1, %n Paar.</numerusform>
            <numerusform>
Vergleich %1, %n Paare.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n more pairs</source>
        <translation>
            <numerusform>%n weiteres Paar</numerusform>
            <numerusform>%n weitere Paare</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::CameraBook</name>
    <message>
        <source>%1 cannot be removed: %2.</source>
        <translation>%1 lässt sich nicht entfernen: %2.</translation>
    </message>
    <message>
        <source>%1 is not there any more.</source>
        <translation>%1 ist nicht mehr da.</translation>
    </message>
</context>
<context>
    <name>irenic::CaptionStrip</name>
    <message>
        <source>Untreated</source>
        <translation>Unbehandelt</translation>
    </message>
    <message>
        <source>Method of trial %1</source>
        <translation>Verfahren der Probe %1</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Behalten</translation>
    </message>
    <message>
        <source>Keep trial %1</source>
        <translation>Probe %1 behalten</translation>
    </message>
    <message>
        <source>Export the frame with this trial (K)</source>
        <translation>Die Aufnahme mit dieser Probe exportieren (K)</translation>
    </message>
    <message>
        <source>left the suggestion</source>
        <translation>abseits des Vorschlags</translation>
    </message>
    <message>
        <source>Go back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>%1 + %2</source>
        <translation>%1 + %2</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>Zeichnung</translation>
    </message>
    <message>
        <source>tones</source>
        <translation>Töne</translation>
    </message>
    <message>
        <source>sharpen</source>
        <translation>Schärfen</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>How much noise to remove</source>
        <translation>Wie viel Rauschen entfernt wird</translation>
    </message>
    <message>
        <source>Detail given back, grain kept, and how much of it all is laid over the untreated picture</source>
        <translation>Zurückgegebene Zeichnung, behaltenes Korn, und wie viel von allem über das unbehandelte Bild gelegt wird</translation>
    </message>
    <message>
        <source>Strengths by brightness, and large blotches of colour</source>
        <translation>Stärken nach Helligkeit, und große Farbflecken</translation>
    </message>
    <message>
        <source>Capture sharpening, after the noise is gone</source>
        <translation>Aufnahmeschärfung, nachdem das Rauschen fort ist</translation>
    </message>
    <message>
        <source>%1 (F3 goes through the pages of all strips)</source>
        <translation>%1 (F3 blättert alle Streifen weiter)</translation>
    </message>
    <message>
        <source>Controls of trial %1: %2</source>
        <translation>Regler der Probe %1: %2</translation>
    </message>
    <message>
        <source>%1 strength of trial %2, multiples of the measured noise</source>
        <translation>%1, Stärke der Probe %2, Vielfache des gemessenen Rauschens</translation>
    </message>
    <message>
        <source>%1 of trial %2</source>
        <translation>%1 der Probe %2</translation>
    </message>
    <message>
        <source>%1. The mark is the suggestion; double-click returns to it.</source>
        <translation>%1. Die Marke ist der Vorschlag; ein Doppelklick kehrt zu ihr zurück.</translation>
    </message>
    <message>
        <source>%1. Double-click on the handle returns to the mark.</source>
        <translation>%1. Ein Doppelklick auf den Griff kehrt zur Marke zurück.</translation>
    </message>
    <message>
        <source>
While it is held, what sharpening passes over lies under a pale veil (hold V).</source>
        <translation>
Solange er gehalten wird, liegt ein heller Schleier über dem, was das Schärfen verschont (V halten).</translation>
    </message>
    <message>
        <source>1 bad pixel</source>
        <translation>1 schlechtes Pixel</translation>
    </message>
    <message>
        <source>finished picture; a raw would do better</source>
        <translation>fertiges Bild; ein Raw wäre besser</translation>
    </message>
    <message>
        <source>linear, full colour</source>
        <translation>linear, in voller Farbe</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1, full colour</source>
        <translation>%1, in voller Farbe</translation>
    </message>
    <message>
        <source>grain %1 %</source>
        <translation>Korn %L1 %</translation>
    </message>
    <message>
        <source>colour noise %1 %</source>
        <translation>Farbrauschen %L1 %</translation>
    </message>
    <message>
        <source>%1 of the mid-tone
%2
%3

suggestion: %4, %5 x</source>
        <translation>%1 des Mitteltons
%2
%3

Vorschlag: %4, %L5 x</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Gast %1</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>Luminance by %1, colours by %2</source>
        <translation>Luminanz durch %1, Farben durch %2</translation>
    </message>
    <message>
        <source>Keeper</source>
        <translation>Favorit</translation>
    </message>
    <message>
        <source>your taste: %1 / %2 x</source>
        <translation>Ihr Geschmack: %L1 / %L2 x</translation>
    </message>
    <message>
        <source>your own starting point</source>
        <translation>der eigene Ausgangspunkt</translation>
    </message>
    <message>
        <source>Use it</source>
        <translation>Nehmen</translation>
    </message>
    <message>
        <source>Start this trial from your own taste (Shift+Backspace)</source>
        <translation>Diese Probe vom eigenen Geschmack ausgehen lassen (Umschalt+Rücktaste)</translation>
    </message>
    <message>
        <source>Set this trial&apos;s strengths to the suggestion (Backspace)</source>
        <translation>Die Stärken dieser Probe auf den Vorschlag setzen (Rücktaste)</translation>
    </message>
    <message>
        <source>Start trial %1 from your own taste</source>
        <translation>Probe %1 vom eigenen Geschmack ausgehen lassen</translation>
    </message>
    <message>
        <source>Return trial %1 to the suggestion</source>
        <translation>Probe %1 zum Vorschlag zurückbringen</translation>
    </message>
    <message numerus="yes">
        <source>%n bad pixels</source>
        <translation>
            <numerusform>%n schlechtes Pixel</numerusform>
            <numerusform>%n schlechte Pixel</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Card</name>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>pin</source>
        <translation>anheften</translation>
    </message>
    <message>
        <source>Stays when another card is opened</source>
        <translation>Bleibt, wenn eine andere Karte geöffnet wird</translation>
    </message>
    <message>
        <source>fold</source>
        <translation>falten</translation>
    </message>
    <message>
        <source>Only the title, until it is unfolded</source>
        <translation>Nur der Titel, bis sie entfaltet wird</translation>
    </message>
    <message>
        <source>float</source>
        <translation>lösen</translation>
    </message>
    <message>
        <source>A window of its own, on this screen or another; back by the same button</source>
        <translation>Ein eigenes Fenster, auf diesem oder einem anderen Bildschirm; derselbe Knopf bringt es zurück</translation>
    </message>
    <message>
        <source>close</source>
        <translation>schließen</translation>
    </message>
    <message>
        <source>Puts the card away; its key brings it back</source>
        <translation>Legt die Karte weg; ihre Taste bringt sie zurück</translation>
    </message>
</context>
<context>
    <name>irenic::CommandSearch</name>
    <message>
        <source>Commands and keys</source>
        <translation>Befehle und Tasten</translation>
    </message>
    <message>
        <source>Words of a command</source>
        <translation>Wörter eines Befehls</translation>
    </message>
    <message>
        <source>type words of a command; Enter carries it out</source>
        <translation>Wörter eines Befehls tippen; Eingabe führt ihn aus</translation>
    </message>
    <message>
        <source>Commands</source>
        <translation>Befehle</translation>
    </message>
</context>
<context>
    <name>irenic::ContactSheet</name>
    <message>
        <source>Contact sheet</source>
        <translation>Kontaktbogen</translation>
    </message>
    <message>
        <source>as opened</source>
        <translation>wie geöffnet</translation>
    </message>
    <message>
        <source>In the order of the roll</source>
        <translation>In der Reihenfolge des Films</translation>
    </message>
    <message>
        <source>name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>By name</source>
        <translation>Nach Namen</translation>
    </message>
    <message>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>By the time of the exposure</source>
        <translation>Nach der Zeit der Aufnahme</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>By sensitivity</source>
        <translation>Nach der Empfindlichkeit</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>The noisiest first</source>
        <translation>Die am stärksten rauschenden zuerst</translation>
    </message>
    <message>
        <source>series as one</source>
        <translation>Serien als eine</translation>
    </message>
    <message>
        <source>One paper for every series; what is done to it is done to all of its frames</source>
        <translation>Ein Blatt für jede Serie; was mit ihm geschieht, geschieht mit all ihren Aufnahmen</translation>
    </message>
    <message>
        <source>Words of name, camera, lens or ISO</source>
        <translation>Wörter aus Name, Kamera, Objektiv oder ISO</translation>
    </message>
    <message>
        <source>name, camera, ISO</source>
        <translation>Name, Kamera, ISO</translation>
    </message>
    <message>
        <source>All frames</source>
        <translation>Alle Aufnahmen</translation>
    </message>
    <message>
        <source>Frames without a keeper or an export</source>
        <translation>Aufnahmen ohne Favorit und ohne Export</translation>
    </message>
    <message>
        <source>Frames that were exported</source>
        <translation>Exportierte Aufnahmen</translation>
    </message>
    <message>
        <source>Frames whose file is odd in something</source>
        <translation>Aufnahmen, deren Datei in etwas sonderbar ist</translation>
    </message>
    <message>
        <source>Frames that could not be opened</source>
        <translation>Aufnahmen, die sich nicht öffnen ließen</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>Choose no frame</source>
        <translation>Keine Aufnahme wählen</translation>
    </message>
    <message>
        <source>Choose the whole series</source>
        <translation>Die ganze Serie wählen</translation>
    </message>
    <message>
        <source>Frames of the same camera and lens, taken within %1 seconds of one another</source>
        <translation>Aufnahmen derselben Kamera und desselben Objektivs, höchstens %1 Sekunden auseinander</translation>
    </message>
    <message>
        <source>Treat them</source>
        <translation>Behandeln</translation>
    </message>
    <message>
        <source>One frame has its keeper now.</source>
        <translation>Eine Aufnahme hat jetzt ihren Favoriten.</translation>
    </message>
    <message>
        <source>Each by its own suggestion</source>
        <translation>Jede nach ihrem Vorschlag</translation>
    </message>
    <message>
        <source>The suggestion becomes the keeper of every chosen frame</source>
        <translation>Der Vorschlag wird zum Favoriten jeder gewählten Aufnahme</translation>
    </message>
    <message>
        <source>treating frames by their suggestions</source>
        <translation>Aufnahmen nach ihren Vorschlägen behandeln</translation>
    </message>
    <message>
        <source>That trial becomes the keeper of every chosen frame</source>
        <translation>Diese Probe wird zum Favoriten jeder gewählten Aufnahme</translation>
    </message>
    <message>
        <source>treating frames alike</source>
        <translation>Aufnahmen gleich behandeln</translation>
    </message>
    <message>
        <source>By a recipe</source>
        <translation>Nach einem Rezept</translation>
    </message>
    <message>
        <source>No other chosen frame takes it.</source>
        <translation>Keine weitere gewählte Aufnahme nimmt es an.</translation>
    </message>
    <message>
        <source>One other frame has it now.</source>
        <translation>Eine weitere Aufnahme hat es jetzt.</translation>
    </message>
    <message>
        <source>Spots</source>
        <translation>Stellen</translation>
    </message>
    <message>
        <source>To chosen frames of the same size, in place of theirs</source>
        <translation>Zu gewählten Aufnahmen derselben Größe, anstelle der ihren</translation>
    </message>
    <message>
        <source>Rendering</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>White balance, exposure and the rest of the rendering</source>
        <translation>Weißabgleich, Belichtung und der Rest der Entwicklung</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objektiv</translation>
    </message>
    <message>
        <source>Lens corrections, to chosen frames of the same size</source>
        <translation>Objektivkorrekturen, zu gewählten Aufnahmen derselben Größe</translation>
    </message>
    <message>
        <source>Hand on</source>
        <translation>Weitergeben</translation>
    </message>
    <message>
        <source>Export...</source>
        <translation>Exportieren ...</translation>
    </message>
    <message>
        <source>Each with its keeper, or its suggestion where it has none (Ctrl+E)</source>
        <translation>Jede mit ihrem Favoriten, oder ihrem Vorschlag, wo sie keinen hat (Strg+E)</translation>
    </message>
    <message>
        <source>Quick clean</source>
        <translation>Schnell entrauschen</translation>
    </message>
    <message>
        <source>Each with its suggestion, as the last export was</source>
        <translation>Jede mit ihrem Vorschlag, wie beim letzten Export</translation>
    </message>
    <message>
        <source>Take off the roll</source>
        <translation>Vom Film nehmen</translation>
    </message>
    <message>
        <source>The files stay where they are; undo puts them back</source>
        <translation>Die Dateien bleiben, wo sie sind; Rückgängig holt sie wieder</translation>
    </message>
    <message>
        <source>One frame is off the roll; its file stays. Undo puts it back.</source>
        <translation>Eine Aufnahme ist vom Film; ihre Datei bleibt. Rückgängig holt sie wieder.</translation>
    </message>
    <message>
        <source>Enter: hang on the wall
Shift: up to here   Ctrl: one more
Ctrl+A: all   Esc: back to the wall</source>
        <translation>Eingabe: an die Wand hängen
Umschalt: bis hierher   Strg: eine mehr
Strg+A: alle   Esc: zurück zur Wand</translation>
    </message>
    <message>
        <source>one frame</source>
        <translation>eine Aufnahme</translation>
    </message>
    <message>
        <source>%1 of %2 frames</source>
        <translation>%1 von %2 Aufnahmen</translation>
    </message>
    <message>
        <source>all</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>undecided</source>
        <translation>unentschieden</translation>
    </message>
    <message>
        <source>exported</source>
        <translation>exportiert</translation>
    </message>
    <message>
        <source>warnings</source>
        <translation>Hinweise</translation>
    </message>
    <message>
        <source>failed</source>
        <translation>misslungen</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>No frame chosen</source>
        <translation>Keine Aufnahme gewählt</translation>
    </message>
    <message>
        <source>One frame chosen</source>
        <translation>Eine Aufnahme gewählt</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>grain %1 %</source>
        <translation>Korn %L1 %</translation>
    </message>
    <message>
        <source>colour noise %1 %</source>
        <translation>Farbrauschen %L1 %</translation>
    </message>
    <message>
        <source>not measured yet</source>
        <translation>noch nicht gemessen</translation>
    </message>
    <message>
        <source>Click papers to choose frames, and say here what is to be done with them.</source>
        <translation>Blätter anklicken, um Aufnahmen zu wählen, und hier sagen, was mit ihnen geschehen soll.</translation>
    </message>
    <message>
        <source>All like %1 of %2</source>
        <translation>Alle wie %1 von %2</translation>
    </message>
    <message>
        <source>All like a trial</source>
        <translation>Alle wie eine Probe</translation>
    </message>
    <message>
        <source>Carry over from %1</source>
        <translation>Von %1 übernehmen</translation>
    </message>
    <message>
        <source>Carry over</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Make or part a series</source>
        <translation>Serie bilden oder auflösen</translation>
    </message>
    <message>
        <source>Nothing to change.</source>
        <translation>Nichts zu ändern.</translation>
    </message>
    <message>
        <source>One frame has another series now.</source>
        <translation>Eine Aufnahme hat jetzt eine andere Serie.</translation>
    </message>
    <message>
        <source>One series of these</source>
        <translation>Eine Serie aus diesen</translation>
    </message>
    <message>
        <source>Whatever their times say</source>
        <translation>Was auch immer ihre Zeiten sagen</translation>
    </message>
    <message>
        <source>No series</source>
        <translation>Keine Serie</translation>
    </message>
    <message>
        <source>Each by itself</source>
        <translation>Jede für sich</translation>
    </message>
    <message>
        <source>As their times tell</source>
        <translation>Wie ihre Zeiten sagen</translation>
    </message>
    <message numerus="yes">
        <source>%n frames have another series now.</source>
        <translation>
            <numerusform>%n Aufnahme hat jetzt eine andere Serie.</numerusform>
            <numerusform>%n Aufnahmen haben jetzt eine andere Serie.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames have their keepers now.</source>
        <translation>
            <numerusform>%n Aufnahme hat jetzt ihren Favoriten.</numerusform>
            <numerusform>%n Aufnahmen haben jetzt ihre Favoriten.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n other frames have it now.</source>
        <translation>
            <numerusform>%n weitere Aufnahme hat es jetzt.</numerusform>
            <numerusform>%n weitere Aufnahmen haben es jetzt.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames are off the roll; their files stay. Undo puts them back.</source>
        <translation>
            <numerusform>%n Aufnahme ist vom Film; ihre Datei bleibt. Rückgängig holt sie wieder.</numerusform>
            <numerusform>%n Aufnahmen sind vom Film; ihre Dateien bleiben. Rückgängig holt sie wieder.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames</source>
        <translation>
            <numerusform>%n Aufnahme</numerusform>
            <numerusform>%n Aufnahmen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames chosen</source>
        <translation>
            <numerusform>%n Aufnahme gewählt</numerusform>
            <numerusform>%n Aufnahmen gewählt</numerusform>
        </translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>Nähe</translation>
    </message>
    <message>
        <source>The furthest from the picture without noise first, as estimated of each with its keeper, or its suggestion</source>
        <translation>Zuerst, was vom Bild ohne Rauschen am weitesten entfernt ist, geschätzt für jede Aufnahme mit ihrem Favoriten oder Vorschlag</translation>
    </message>
    <message>
        <source>%1, %2 to come</source>
        <translation>%1, %2 fehlen noch</translation>
    </message>
</context>
<context>
    <name>irenic::DctDecoder</name>
    <message>
        <source>does not begin as a JPEG</source>
        <translation>beginnt nicht wie ein JPEG</translation>
    </message>
    <message>
        <source>ends inside a segment</source>
        <translation>endet in einem Abschnitt</translation>
    </message>
    <message>
        <source>has contradictory tables</source>
        <translation>hat widersprüchliche Tafeln</translation>
    </message>
    <message>
        <source>is coded in a way that is not read</source>
        <translation>ist auf eine Weise kodiert, die nicht gelesen wird</translation>
    </message>
    <message>
        <source>has a scan that does not fit its frame</source>
        <translation>hat einen Durchgang, der nicht in seinen Rahmen passt</translation>
    </message>
    <message>
        <source>holds no whole picture</source>
        <translation>enthält kein ganzes Bild</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>wurde nicht bis zum Ende dekodiert</translation>
    </message>
    <message>
        <source>holds a code that its table does not know</source>
        <translation>enthält einen Code, den seine Tafel nicht kennt</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>bricht ab</translation>
    </message>
</context>
<context>
    <name>irenic::DecisionBook</name>
    <message>
        <source>list of decisions</source>
        <translation>Liste der Entscheidungen</translation>
    </message>
    <message>
        <source>The folder of %1 cannot be made; what was decided is not remembered.</source>
        <translation>Der Ordner von %1 lässt sich nicht anlegen; was entschieden wurde, ist nicht gemerkt.</translation>
    </message>
</context>
<context>
    <name>irenic::Decisions</name>
    <message>
        <source>grain below 6 %</source>
        <translation>Korn unter 6 %</translation>
    </message>
    <message>
        <source>grain from 6 to 12 %</source>
        <translation>Korn von 6 bis 12 %</translation>
    </message>
    <message>
        <source>grain above 12 %</source>
        <translation>Korn über 12 %</translation>
    </message>
    <message>
        <source>luminance %1 x the suggestion</source>
        <translation>Luminanz %1 x Vorschlag</translation>
    </message>
    <message>
        <source>colour %1 x the suggestion</source>
        <translation>Farbe %1 x Vorschlag</translation>
    </message>
    <message>
        <source>detail %1</source>
        <translation>Zeichnung %1</translation>
    </message>
    <message>
        <source>grain %1</source>
        <translation>Korn %1</translation>
    </message>
    <message>
        <source>On %1 frames with %2 you settled on %3.</source>
        <translation>Bei %1 Aufnahmen mit %2 haben Sie sich auf %3 festgelegt.</translation>
    </message>
</context>
<context>
    <name>irenic::DecisionsDialog</name>
    <message>
        <source>Your own starting point</source>
        <translation>Der eigene Ausgangspunkt</translation>
    </message>
    <message>
        <source>Every keeper that is exported is remembered beside what had been suggested for its frame. Where frames of like noise agree beyond chance, a trial can start from there: Shift+Backspace, or the button under it. Nothing leaves this computer.</source>
        <translation>Jeder exportierte Favorit wird neben dem gemerkt, was für seine Aufnahme vorgeschlagen war. Wo Aufnahmen ähnlichen Rauschens über den Zufall hinaus übereinstimmen, kann eine Probe davon ausgehen: Umschalt+Rücktaste, oder der Knopf unter ihr. Nichts verlässt diesen Rechner.</translation>
    </message>
    <message>
        <source>Decisions</source>
        <translation>Entscheidungen</translation>
    </message>
    <message>
        <source>frame</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>day</source>
        <translation>Tag</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>method</source>
        <translation>Verfahren</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>Zeichnung</translation>
    </message>
    <message>
        <source>grain kept</source>
        <translation>Korn behalten</translation>
    </message>
    <message>
        <source>Forget the chosen</source>
        <translation>Gewählte vergessen</translation>
    </message>
    <message>
        <source>Forget all</source>
        <translation>Alle vergessen</translation>
    </message>
    <message>
        <source>Export...</source>
        <translation>Exportieren ...</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1 x suggested</source>
        <translation>%L1 x Vorschlag</translation>
    </message>
    <message>
        <source>Nothing was decided yet.</source>
        <translation>Noch wurde nichts entschieden.</translation>
    </message>
    <message>
        <source>The decisions do not agree beyond chance yet; that takes six frames at least.</source>
        <translation>Die Entscheidungen stimmen noch nicht über den Zufall hinaus überein; dazu braucht es mindestens sechs Aufnahmen.</translation>
    </message>
    <message>
        <source>Export the decisions</source>
        <translation>Die Entscheidungen exportieren</translation>
    </message>
    <message>
        <source>JSON (*.json)</source>
        <translation>JSON (*.json)</translation>
    </message>
</context>
<context>
    <name>irenic::Demosaicing::Signal</name>
    <message>
        <source>has a six-by-six pattern that could not be demosaiced</source>
        <translation>hat ein Sechs-mal-sechs-Muster, das sich nicht demosaiken ließ</translation>
    </message>
</context>
<context>
    <name>irenic::DngReader</name>
    <message>
        <source>The sensor has no colour filters: its one channel stands for all three.</source>
        <translation>Der Sensor hat keine Farbfilter: Sein einer Kanal steht für alle drei.</translation>
    </message>
    <message>
        <source>The default crop lies outside the active area and was passed over.</source>
        <translation>Der vorgegebene Beschnitt liegt außerhalb der aktiven Fläche und wurde übergangen.</translation>
    </message>
    <message>
        <source>Black levels of single rows and columns of full colour were passed over.</source>
        <translation>Schwarzwerte einzelner Zeilen und Spalten voller Farbe wurden übergangen.</translation>
    </message>
    <message>
        <source>The black levels repeat over more than two places; their mean over each colour is used for scaling.</source>
        <translation>Die Schwarzwerte wiederholen sich über mehr als zwei Stellen; zum Skalieren gilt ihr Mittel je Farbe.</translation>
    </message>
    <message>
        <source>One of the file&apos;s colour matrices cannot be used and was passed over.</source>
        <translation>Eine der Farbmatrizen der Datei ist unbrauchbar und wurde übergangen.</translation>
    </message>
    <message>
        <source>The file does not say its white balance; equal channels are shown as white.</source>
        <translation>Die Datei nennt ihren Weißabgleich nicht; gleiche Kanäle erscheinen als Weiß.</translation>
    </message>
    <message>
        <source>The file does not describe its colours; they are shown as sRGB.</source>
        <translation>Die Datei beschreibt ihre Farben nicht; sie werden als sRGB gezeigt.</translation>
    </message>
    <message>
        <source>Lights more than sixteen times as bright as white were cut off.</source>
        <translation>Lichter, die mehr als sechzehnmal so hell wie Weiß sind, wurden abgeschnitten.</translation>
    </message>
    <message>
        <source>%1 samples are no numbers and were read as black.</source>
        <translation>%1 Werte sind keine Zahlen und wurden als Schwarz gelesen.</translation>
    </message>
    <message>
        <source>The file is compressed with loss (%1): part of its noise and of its finest detail is gone, and what is left is no longer independent from pixel to pixel.</source>
        <translation>Die Datei ist mit Verlust komprimiert (%1): Ein Teil ihres Rauschens und ihrer feinsten Zeichnung ist fort, und was bleibt, ist von Pixel zu Pixel nicht mehr unabhängig.</translation>
    </message>
    <message>
        <source>holds no sensor samples</source>
        <translation>enthält keine Sensorwerte</translation>
    </message>
    <message>
        <source>claims a size that no sensor has</source>
        <translation>gibt eine Größe an, die kein Sensor hat</translation>
    </message>
    <message>
        <source>stores several samples at each place of its pattern</source>
        <translation>speichert an jedem Platz seines Musters mehrere Werte</translation>
    </message>
    <message>
        <source>is a linear DNG with other than three colours</source>
        <translation>ist ein lineares DNG mit anderen als drei Farben</translation>
    </message>
    <message>
        <source>stores its colours with different numbers of bits</source>
        <translation>speichert seine Farben mit verschieden vielen Bits</translation>
    </message>
    <message>
        <source>stores samples that are neither whole numbers nor floats</source>
        <translation>speichert Werte, die weder ganze Zahlen noch Gleitkommazahlen sind</translation>
    </message>
    <message>
        <source>weaves its rows or columns in a way that cannot be</source>
        <translation>verflicht seine Zeilen oder Spalten auf unmögliche Weise</translation>
    </message>
    <message>
        <source>stores its tiles in smaller blocks, which this version does not read</source>
        <translation>speichert seine Kacheln in kleineren Blöcken, die diese Version nicht liest</translation>
    </message>
    <message>
        <source>has tiles or strips of no size</source>
        <translation>hat Kacheln oder Streifen ohne Größe</translation>
    </message>
    <message>
        <source>lists %1 pieces of picture where its size asks for %2</source>
        <translation>führt %1 Stücke des Bildes auf, wo seine Größe %2 verlangt</translation>
    </message>
    <message>
        <source>is damaged: its pieces of picture lie on top of each other</source>
        <translation>ist beschädigt: Die Stücke seines Bildes liegen aufeinander</translation>
    </message>
    <message>
        <source>is damaged: its compressed picture is too short for its size</source>
        <translation>ist beschädigt: Sein komprimiertes Bild ist zu kurz für seine Größe</translation>
    </message>
    <message>
        <source>has tiles that are far larger than its picture</source>
        <translation>hat Kacheln, die viel größer als sein Bild sind</translation>
    </message>
    <message>
        <source>is cut off: part of the picture lies beyond the file&apos;s end</source>
        <translation>ist abgeschnitten: Ein Teil des Bildes liegt hinter dem Ende der Datei</translation>
    </message>
    <message>
        <source>is cut off: a piece of the picture is shorter than its size asks for</source>
        <translation>ist abgeschnitten: Ein Stück des Bildes ist kürzer, als seine Größe verlangt</translation>
    </message>
    <message>
        <source>has an active area outside its samples</source>
        <translation>hat eine aktive Fläche außerhalb seiner Werte</translation>
    </message>
    <message>
        <source>has an unusual arrangement of red, green and blue</source>
        <translation>hat eine ungewöhnliche Anordnung von Rot, Grün und Blau</translation>
    </message>
    <message>
        <source>has a sensor pattern other than two by two</source>
        <translation>hat ein anderes Sensormuster als zwei mal zwei</translation>
    </message>
    <message>
        <source>has sensor colours other than red, green and blue</source>
        <translation>hat andere Sensorfarben als Rot, Grün und Blau</translation>
    </message>
    <message>
        <source>has an impossible pattern of black levels</source>
        <translation>hat ein unmögliches Muster von Schwarzwerten</translation>
    </message>
    <message>
        <source>names fewer black levels than it has colours</source>
        <translation>nennt weniger Schwarzwerte, als es Farben hat</translation>
    </message>
    <message>
        <source>names fewer black levels than its pattern has places</source>
        <translation>nennt weniger Schwarzwerte, als sein Muster Plätze hat</translation>
    </message>
    <message>
        <source>has a black level that is not below its white level</source>
        <translation>hat einen Schwarzwert, der nicht unter dem Weißwert liegt</translation>
    </message>
</context>
<context>
    <name>irenic::DngReader::IsRaw</name>
    <message>
        <source>The file holds a table of local gains that belongs to its look; it is kept in a DNG and not shown.</source>
        <translation>Die Datei enthält eine Tafel lokaler Verstärkungen, die zu ihrem Aussehen gehört; in einem DNG bleibt sie, gezeigt wird sie nicht.</translation>
    </message>
    <message>
        <source>another raw picture</source>
        <translation>ein weiteres Raw-Bild</translation>
    </message>
    <message>
        <source>%1 further raw pictures</source>
        <translation>%1 weitere Raw-Bilder</translation>
    </message>
    <message>
        <source>a mask</source>
        <translation>eine Maske</translation>
    </message>
    <message>
        <source>%1 masks</source>
        <translation>%1 Masken</translation>
    </message>
    <message>
        <source>a depth map</source>
        <translation>eine Tiefenkarte</translation>
    </message>
    <message>
        <source>%1 depth maps</source>
        <translation>%1 Tiefenkarten</translation>
    </message>
    <message>
        <source>The file also holds %1; only its main picture is read.</source>
        <translation>Die Datei enthält auch %1; nur ihr hauptsächliches Bild ist gelesen.</translation>
    </message>
</context>
<context>
    <name>irenic::Editing</name>
    <message>
        <source>%1 strength of %2</source>
        <translation>%1, Stärke von %2</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 von %2</translation>
    </message>
    <message>
        <source>method of %1</source>
        <translation>Verfahren von %1</translation>
    </message>
    <message>
        <source>return of %1 to the suggestion</source>
        <translation>Rückkehr von %1 zum Vorschlag</translation>
    </message>
    <message>
        <source>own starting point of %1</source>
        <translation>eigener Ausgangspunkt von %1</translation>
    </message>
    <message>
        <source>regions in %1</source>
        <translation>Bereiche in %1</translation>
    </message>
    <message>
        <source>no regions in %1</source>
        <translation>keine Bereiche in %1</translation>
    </message>
    <message>
        <source>taking back the keeper</source>
        <translation>Zurücknehmen des Favoriten</translation>
    </message>
    <message>
        <source>choosing %1 as keeper</source>
        <translation>Wahl von %1 als Favorit</translation>
    </message>
    <message>
        <source>adding trial %1</source>
        <translation>Hinzufügen der Probe %1</translation>
    </message>
    <message>
        <source>removing trial %1</source>
        <translation>Entfernen der Probe %1</translation>
    </message>
    <message>
        <source>moving trial %1</source>
        <translation>Verschieben der Probe %1</translation>
    </message>
    <message>
        <source>marking spot %1</source>
        <translation>Markieren der Stelle %1</translation>
    </message>
    <message>
        <source>moving spot %1</source>
        <translation>Verschieben der Stelle %1</translation>
    </message>
    <message>
        <source>name of spot %1</source>
        <translation>Name der Stelle %1</translation>
    </message>
    <message>
        <source>removing spot %1</source>
        <translation>Entfernen der Stelle %1</translation>
    </message>
    <message>
        <source>order of spots</source>
        <translation>Reihenfolge der Stellen</translation>
    </message>
    <message>
        <source>carrying spots to the series</source>
        <translation>Übertragen der Stellen auf die Serie</translation>
    </message>
    <message>
        <source>making a series</source>
        <translation>Bilden einer Serie</translation>
    </message>
    <message>
        <source>series by time</source>
        <translation>Serien nach der Zeit</translation>
    </message>
    <message>
        <source>parting a series</source>
        <translation>Auflösen einer Serie</translation>
    </message>
    <message>
        <source>carrying spots to other frames</source>
        <translation>Übertragen der Stellen auf andere Aufnahmen</translation>
    </message>
    <message>
        <source>rendering other frames alike</source>
        <translation>gleiche Entwicklung anderer Aufnahmen</translation>
    </message>
    <message>
        <source>rendering all frames alike</source>
        <translation>gleiche Entwicklung aller Aufnahmen</translation>
    </message>
    <message>
        <source>correcting other frames alike</source>
        <translation>gleiche Korrektur anderer Aufnahmen</translation>
    </message>
    <message>
        <source>pinning a guest</source>
        <translation>Anheften eines Gasts</translation>
    </message>
    <message>
        <source>taking down a guest</source>
        <translation>Abnehmen eines Gasts</translation>
    </message>
    <message>
        <source>taking down guests that are away</source>
        <translation>Abnehmen fehlender Gäste</translation>
    </message>
    <message>
        <source>treating all frames alike</source>
        <translation>gleiche Behandlung aller Aufnahmen</translation>
    </message>
    <message>
        <source>taking a frame off the roll</source>
        <translation>eine Aufnahme vom Film nehmen</translation>
    </message>
    <message numerus="yes">
        <source>taking %n frames off the roll</source>
        <translation>
            <numerusform>%n Aufnahme vom Film nehmen</numerusform>
            <numerusform>%n Aufnahmen vom Film nehmen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::EmptyPage</name>
    <message>
        <source>Drop raw frames or a folder here</source>
        <translation>Raw-Aufnahmen oder einen Ordner hierher ziehen</translation>
    </message>
    <message>
        <source>Irenic measures the noise of each, hangs the same pixels side by side under several strengths,
and writes a clean DNG or TIFF. The originals are never written to.</source>
        <translation>Irenic misst das Rauschen jeder Aufnahme, hängt dieselben Pixel unter mehreren Stärken nebeneinander
und schreibt ein sauberes DNG oder TIFF. Die Originale werden nie beschrieben.</translation>
    </message>
    <message>
        <source>Open frames...</source>
        <translation>Aufnahmen öffnen ...</translation>
    </message>
    <message>
        <source>Open folder...</source>
        <translation>Ordner öffnen ...</translation>
    </message>
    <message>
        <source>Continue where you left off</source>
        <translation>Weitermachen, wo ich aufgehört habe</translation>
    </message>
    <message>
        <source>Open the demo roll</source>
        <translation>Den Demofilm öffnen</translation>
    </message>
</context>
<context>
    <name>irenic::ExportDialog</name>
    <message>
        <source>Export</source>
        <translation>Exportieren</translation>
    </message>
    <message>
        <source>8 bits hold 256 steps of each colour: smooth tones may show bands once such a file is edited. The last step is dithered against it.</source>
        <translation>8 Bit fassen 256 Stufen jeder Farbe: Glatte Töne können Streifen zeigen, sobald eine solche Datei bearbeitet wird. Die letzte Stufe ist dagegen gestreut.</translation>
    </message>
    <message>
        <source>A DNG of sensor samples does not hold the network&apos;s full colour: the program that opens it demosaics the cleaned samples. A linear DNG, TIFF, JPEG or PNG holds it.</source>
        <translation>Ein DNG der Sensorwerte enthält nicht die volle Farbe des Netzes: Das Programm, das es öffnet, demosaikt die entrauschten Werte. Lineares DNG, TIFF, JPEG und PNG enthalten sie.</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Aufnahmen</translation>
    </message>
    <message>
        <source>As</source>
        <translation>Als</translation>
    </message>
    <message>
        <source>Rendered</source>
        <translation>Entwickelt</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wohin</translation>
    </message>
    <message>
        <source>{name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} and {counter} are filled in.</source>
        <translation>{name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} und {counter} werden ausgefüllt.</translation>
    </message>
    <message>
        <source>the next number</source>
        <translation>die nächste Nummer</translation>
    </message>
    <message>
        <source>ask</source>
        <translation>fragen</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>auslassen</translation>
    </message>
    <message>
        <source>where taken:</source>
        <translation>wo vergeben:</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>copy the XMP sidecar of an original along, under the new name</source>
        <translation>die XMP-Begleitdatei eines Originals mitkopieren, unter dem neuen Namen</translation>
    </message>
    <message>
        <source>Will write</source>
        <translation>Schreibt</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Dauert</translation>
    </message>
    <message>
        <source>the chosen frame, with its keeper or its suggestion</source>
        <translation>die gewählte Aufnahme, mit ihrem Favoriten oder ihrem Vorschlag</translation>
    </message>
    <message>
        <source>%1, with its keeper %2</source>
        <translation>%1, mit ihrem Favoriten %2</translation>
    </message>
    <message>
        <source>%1, with trial %2 (no keeper is chosen)</source>
        <translation>%1, mit Probe %2 (kein Favorit ist gewählt)</translation>
    </message>
    <message>
        <source>all frames that have a keeper (none has)</source>
        <translation>alle Aufnahmen mit einem Favoriten (keine hat einen)</translation>
    </message>
    <message>
        <source>the one frame that has a keeper</source>
        <translation>die eine Aufnahme mit einem Favoriten</translation>
    </message>
    <message>
        <source>Treatment for all frames</source>
        <translation>Behandlung aller Aufnahmen</translation>
    </message>
    <message>
        <source>trial %1: %2</source>
        <translation>Probe %1: %2</translation>
    </message>
    <message>
        <source>recipe %1</source>
        <translation>Rezept %1</translation>
    </message>
    <message>
        <source>a series: treat all by this frame&apos;s noise, so that they stay identical</source>
        <translation>eine Serie: alle nach dem Rauschen dieser Aufnahme, damit sie gleich bleiben</translation>
    </message>
    <message>
        <source>For focus stacks, bursts and panoramas, whose frames are going to be joined</source>
        <translation>Für Fokusreihen, Serien und Panoramen, deren Aufnahmen zusammengesetzt werden</translation>
    </message>
    <message>
        <source>DNG, still raw: white balance and colour as in the original</source>
        <translation>DNG, weiterhin raw: Weißabgleich und Farbe wie im Original</translation>
    </message>
    <message>
        <source>uncompressed</source>
        <translation>unkomprimiert</translation>
    </message>
    <message>
        <source>linear DNG: demosaiced, in the camera&apos;s own colours</source>
        <translation>lineares DNG: demosaikt, in den Farben der Kamera</translation>
    </message>
    <message>
        <source>TIFF, rendered</source>
        <translation>TIFF, entwickelt</translation>
    </message>
    <message>
        <source>JPEG proof</source>
        <translation>JPEG zur Ansicht</translation>
    </message>
    <message>
        <source>PNG proof</source>
        <translation>PNG zur Ansicht</translation>
    </message>
    <message>
        <source>8 bits</source>
        <translation>8 Bit</translation>
    </message>
    <message>
        <source>16 bits</source>
        <translation>16 Bit</translation>
    </message>
    <message>
        <source>32 bits, floating point</source>
        <translation>32 Bit, Gleitkomma</translation>
    </message>
    <message>
        <source>Depth of the TIFF</source>
        <translation>Tiefe des TIFF</translation>
    </message>
    <message>
        <source>deflate</source>
        <translation>deflate</translation>
    </message>
    <message>
        <source>LZW</source>
        <translation>LZW</translation>
    </message>
    <message>
        <source>Compression of the TIFF</source>
        <translation>Kompression des TIFF</translation>
    </message>
    <message>
        <source>sRGB, or its own</source>
        <translation>sRGB, oder das eigene</translation>
    </message>
    <message>
        <source>sRGB</source>
        <translation>sRGB</translation>
    </message>
    <message>
        <source>BT.2020, sRGB curve</source>
        <translation>BT.2020, sRGB-Kurve</translation>
    </message>
    <message>
        <source>BT.2020, linear</source>
        <translation>BT.2020, linear</translation>
    </message>
    <message>
        <source>Colour profile of rendered files; a finished picture can keep its own</source>
        <translation>Farbprofil entwickelter Dateien; ein fertiges Bild kann das seine behalten</translation>
    </message>
    <message>
        <source> dpi</source>
        <translation> dpi</translation>
    </message>
    <message>
        <source>Resolution of rendered files</source>
        <translation>Auflösung entwickelter Dateien</translation>
    </message>
    <message>
        <source>beside the originals</source>
        <translation>neben die Originale</translation>
    </message>
    <message>
        <source>in a folder there:</source>
        <translation>in einen Ordner dort:</translation>
    </message>
    <message>
        <source>Folder beside the originals</source>
        <translation>Ordner neben den Originalen</translation>
    </message>
    <message>
        <source>in</source>
        <translation>in</translation>
    </message>
    <message>
        <source>Folder for the exports</source>
        <translation>Ordner für die Exporte</translation>
    </message>
    <message>
        <source>Choose...</source>
        <translation>Wählen ...</translation>
    </message>
    <message>
        <source>Choose at least one format.</source>
        <translation>Mindestens ein Format wählen.</translation>
    </message>
    <message>
        <source>There is no such folder.</source>
        <translation>Diesen Ordner gibt es nicht.</translation>
    </message>
    <message>
        <source>Name a folder that lies in the folder of the originals.</source>
        <translation>Einen Ordner nennen, der im Ordner der Originale liegt.</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>und %1 weitere</translation>
    </message>
    <message>
        <source>not known before the frames are measured</source>
        <translation>nicht bekannt, bevor die Aufnahmen gemessen sind</translation>
    </message>
    <message>
        <source>about %1</source>
        <translation>etwa %1</translation>
    </message>
    <message>
        <source>Names are taken</source>
        <translation>Namen sind vergeben</translation>
    </message>
    <message>
        <source>%1 is there already. It is never replaced.</source>
        <translation>%1 ist schon da. Sie wird nie ersetzt.</translation>
    </message>
    <message>
        <source>Next number</source>
        <translation>Nächste Nummer</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Auslassen</translation>
    </message>
    <message>
        <source>the one frame of the roll, measured and with its suggestion</source>
        <translation>die eine Aufnahme des Films, gemessen und mit ihrem Vorschlag</translation>
    </message>
    <message>
        <source>the one frame of the roll, with</source>
        <translation>die eine Aufnahme des Films, mit</translation>
    </message>
    <message>
        <source>Compression of the DNG</source>
        <translation>Komprimierung des DNG</translation>
    </message>
    <message>
        <source>Lossless JPEG is read everywhere. JPEG XL, without loss as well, is a little smaller, and read by few programs yet. Uncompressed takes twice the room.</source>
        <translation>Verlustfreies JPEG wird überall gelesen. JPEG XL, ebenfalls ohne Verlust, ist etwas kleiner und wird noch von wenigen Programmen gelesen. Unkomprimiert braucht doppelt so viel Platz.</translation>
    </message>
    <message>
        <source>lossless JPEG</source>
        <translation>verlustfreies JPEG</translation>
    </message>
    <message>
        <source>JPEG XL (DNG 1.7)</source>
        <translation>JPEG XL (DNG 1.7)</translation>
    </message>
    <message numerus="yes">
        <source>the %n chosen frames, each with its keeper or its suggestion</source>
        <translation>
            <numerusform>die %n gewählte Aufnahme mit ihrem Favoriten oder ihrem Vorschlag</numerusform>
            <numerusform>die %n gewählten Aufnahmen, jede mit ihrem Favoriten oder ihrem Vorschlag</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames that have a keeper, each with its own</source>
        <translation>
            <numerusform>die %n Aufnahme mit einem Favoriten</numerusform>
            <numerusform>alle %n Aufnahmen mit einem Favoriten, jede mit dem ihren</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames of the roll, each measured and with its own suggestion</source>
        <translation>
            <numerusform>die %n Aufnahme des Films, gemessen und mit ihrem Vorschlag</numerusform>
            <numerusform>alle %n Aufnahmen des Films, jede gemessen und mit ihrem Vorschlag</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames of the roll, alike with</source>
        <translation>
            <numerusform>die %n Aufnahme des Films, mit</numerusform>
            <numerusform>alle %n Aufnahmen des Films, gleich mit</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>about %1 in all for %n files, %2 each</source>
        <translation>
            <numerusform>etwa %1 insgesamt für %n Datei, je %2</numerusform>
            <numerusform>etwa %1 insgesamt für %n Dateien, je %2</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n of these names are taken already, %1 the first. No file is ever replaced.</source>
        <translation>
            <numerusform>%n dieser Namen ist schon vergeben, %1 als erster. Keine Datei wird je ersetzt.</numerusform>
            <numerusform>%n dieser Namen sind schon vergeben, %1 als erster. Keine Datei wird je ersetzt.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::ExportQueue</name>
    <message>
        <source>The queue could not be kept. %1 Exports go on; were Irenic to end now, those that are not done would not be offered again.</source>
        <translation>Die Warteschlange konnte nicht gesichert werden. %1 Die Exporte gehen weiter; endete Irenic jetzt, würden die unerledigten nicht wieder angeboten.</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>%1 written, %2 there already, %3 failed, %4 cancelled.</source>
        <translation>%1 geschrieben, %2 schon da, %3 misslungen, %4 abgebrochen.</translation>
    </message>
    <message>
        <source>written   %1
          from %2, in %3; %4</source>
        <translation>geschrieben  %1
          von %2, in %3; %4</translation>
    </message>
    <message>
        <source>skipped   %1
          from %2; %3</source>
        <translation>ausgelassen  %1
          von %2; %3</translation>
    </message>
    <message>
        <source>failed    %1
          %2</source>
        <translation>misslungen   %1
          %2</translation>
    </message>
    <message>
        <source>cancelled %1</source>
        <translation>abgebrochen  %1</translation>
    </message>
    <message>
        <source>queue</source>
        <translation>Warteschlange</translation>
    </message>
</context>
<context>
    <name>irenic::FrameDelegate</name>
    <message>
        <source>not found</source>
        <translation>nicht gefunden</translation>
    </message>
    <message>
        <source>not opened</source>
        <translation>nicht geöffnet</translation>
    </message>
    <message>
        <source>measuring</source>
        <translation>misst</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>exported</source>
        <translation>exportiert</translation>
    </message>
    <message>
        <source>keeper %1</source>
        <translation>Favorit %1</translation>
    </message>
    <message>
        <source>See its tooltip for why.</source>
        <translation>Der Hinweis am Zeiger sagt, warum.</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message numerus="yes">
        <source>%n frames</source>
        <translation>
            <numerusform>%n Aufnahme</numerusform>
            <numerusform>%n Aufnahmen</numerusform>
        </translation>
    </message>
    <message>
        <source>%L1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source>no estimate</source>
        <translation>nicht zu schätzen</translation>
    </message>
</context>
<context>
    <name>irenic::GuestPinning</name>
    <message>
        <source>Matching %1 ...</source>
        <translation>%1 wird angeglichen ...</translation>
    </message>
    <message>
        <source>Pin renditions of this frame made elsewhere</source>
        <translation>Anderswo entstandene Fassungen dieser Aufnahme anheften</translation>
    </message>
    <message>
        <source>Pictures (*.tif *.tiff *.jpg *.jpeg *.png *.jxl *.heic *.heif *.avif *.dng)</source>
        <translation>Bilder (*.tif *.tiff *.jpg *.jpeg *.png *.jxl *.heic *.heif *.avif *.dng)</translation>
    </message>
    <message>
        <source>Pinned %1. %2</source>
        <translation>%1 angeheftet. %2</translation>
    </message>
    <message>
        <source>%1 It stays in the session as a guest of %2.</source>
        <translation>%1 Er bleibt als Gast von %2 in der Sitzung.</translation>
    </message>
    <message numerus="yes">
        <source>Matching %n guests ...</source>
        <translation>
            <numerusform>%n Gast wird angeglichen ...</numerusform>
            <numerusform>%n Gäste werden angeglichen ...</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::GuideNote</name>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Next (%1 of %2)</source>
        <translation>Weiter (%1 von %2)</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
</context>
<context>
    <name>irenic::HandBack</name>
    <message>
        <source>Leave &amp;unchanged</source>
        <translation>&amp;Unverändert lassen</translation>
    </message>
    <message>
        <source>Hand &amp;back</source>
        <translation>&amp;Zurückgeben</translation>
    </message>
    <message>
        <source>%1 is being cleaned ...</source>
        <translation>%1 wird entrauscht ...</translation>
    </message>
    <message>
        <source>%1 was sent by another program.</source>
        <translation>%1 kam von einem anderen Programm.</translation>
    </message>
    <message>
        <source>Trial %1 takes the place of %2.</source>
        <translation>Probe %1 tritt an die Stelle von %2.</translation>
    </message>
    <message>
        <source>Trial %1 of %2 goes back as a file beside it.</source>
        <translation>Probe %1 von %2 geht als Datei daneben zurück.</translation>
    </message>
    <message>
        <source>%1 is no finished picture; it stays as it is.</source>
        <translation>%1 ist kein fertiges Bild; es bleibt, wie es ist.</translation>
    </message>
    <message>
        <source>%1 could not be replaced: %2. It is as it was.</source>
        <translation>%1 konnte nicht ersetzt werden: %2. Es ist, wie es war.</translation>
    </message>
    <message>
        <source>%1 was changed meanwhile by another program; it stays as it is.</source>
        <translation>%1 wurde inzwischen von einem anderen Programm geändert; es bleibt, wie es ist.</translation>
    </message>
</context>
<context>
    <name>irenic::HelpPages</name>
    <message>
        <source>Pages about Irenic</source>
        <translation>Seiten über Irenic</translation>
    </message>
    <message>
        <source>Words to look for</source>
        <translation>Gesuchte Wörter</translation>
    </message>
    <message>
        <source>words in the pages</source>
        <translation>Wörter in den Seiten</translation>
    </message>
    <message>
        <source>Pages</source>
        <translation>Seiten</translation>
    </message>
    <message>
        <source>Text of the page</source>
        <translation>Text der Seite</translation>
    </message>
</context>
<context>
    <name>irenic::HistogramPanel</name>
    <message>
        <source>brightness, EV against clipping</source>
        <translation>Helligkeit, EV unter dem Beschnitt</translation>
    </message>
    <message>
        <source>% of samples</source>
        <translation>% der Werte</translation>
    </message>
    <message>
        <source>red</source>
        <translation>rot</translation>
    </message>
    <message>
        <source>green</source>
        <translation>grün</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>blau</translation>
    </message>
    <message>
        <source>clipped: red %1 %, green %2 %, blue %3 %
at or below black: %4 %, %5 %, %6 %</source>
        <translation>beschnitten: rot %1 %, grün %2 %, blau %3 %
bei oder unter Schwarz: %4 %, %5 %, %6 %</translation>
    </message>
</context>
<context>
    <name>irenic::InputFile</name>
    <message>
        <source>does not exist</source>
        <translation>gibt es nicht</translation>
    </message>
    <message>
        <source>is no plain file</source>
        <translation>ist keine gewöhnliche Datei</translation>
    </message>
    <message>
        <source>cannot be opened for reading (%1)</source>
        <translation>lässt sich nicht zum Lesen öffnen (%1)</translation>
    </message>
    <message>
        <source>cannot be opened for reading</source>
        <translation>lässt sich nicht zum Lesen öffnen</translation>
    </message>
    <message>
        <source>is a folder, not a picture</source>
        <translation>ist ein Ordner und kein Bild</translation>
    </message>
</context>
<context>
    <name>irenic::JsonReader</name>
    <message>
        <source>%1 lacks something or holds what cannot be (%2); nothing was changed.</source>
        <translation>%1 fehlt etwas, oder es enthält, was nicht sein kann (%2); nichts wurde geändert.</translation>
    </message>
    <message>
        <source>%1 cannot be used: %2 Nothing was changed.</source>
        <translation>%1 ist nicht zu brauchen: %2 Nichts wurde geändert.</translation>
    </message>
</context>
<context>
    <name>irenic::LadderCurve</name>
    <message>
        <source>nearness: computing</source>
        <translation>Nähe: rechnet</translation>
    </message>
</context>
<context>
    <name>irenic::LeftoverView</name>
    <message>
        <source>Map of the frame</source>
        <translation>Karte der Aufnahme</translation>
    </message>
    <message>
        <source>Not measured yet</source>
        <translation>Noch nicht gemessen</translation>
    </message>
</context>
<context>
    <name>irenic::LensPanel</name>
    <message>
        <source>All off until it is asked for, but for lines that a file itself describes as bent. Lateral aberration and vignetting are undone on the samples, in every file; distortion and coloured fringes on the wall, in linear DNG, TIFF and proofs.</source>
        <translation>Alles aus, bis es verlangt wird, außer bei Linien, die eine Datei selbst als gebogen beschreibt. Farbquerfehler und Randabschattung werden an den Sensorwerten behoben, in jeder Datei; Verzeichnung und farbige Säume an der Wand, in linearem DNG, TIFF und Ansichten.</translation>
    </message>
    <message>
        <source>name of the lens</source>
        <translation>Name des Objektivs</translation>
    </message>
    <message>
        <source>Name of the lens</source>
        <translation>Name des Objektivs</translation>
    </message>
    <message>
        <source>Profile of the lens</source>
        <translation>Profil des Objektivs</translation>
    </message>
    <message>
        <source>lateral aberration</source>
        <translation>Farbquerfehler</translation>
    </message>
    <message>
        <source>Red and blue pictures are brought to the size of the green one</source>
        <translation>Das rote und das blaue Bild werden auf die Größe des grünen gebracht</translation>
    </message>
    <message>
        <source>‰</source>
        <translation>‰</translation>
    </message>
    <message>
        <source>Measure on this frame</source>
        <translation>An dieser Aufnahme messen</translation>
    </message>
    <message>
        <source>By its edges: how red and blue ones lie against green ones</source>
        <translation>An ihren Kanten: wie rote und blaue zu grünen liegen</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>Randabschattung</translation>
    </message>
    <message>
        <source>Corners are lifted to the light of the middle, and their noise with them</source>
        <translation>Die Ecken werden auf das Licht der Mitte gehoben, und ihr Rauschen mit ihnen</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>Verzeichnung</translation>
    </message>
    <message>
        <source>Straight lines become straight</source>
        <translation>Gerade Linien werden gerade</translation>
    </message>
    <message>
        <source>What becomes of the frame&apos;s border</source>
        <translation>Was aus dem Rand der Aufnahme wird</translation>
    </message>
    <message>
        <source>largest rectangle</source>
        <translation>größtes Rechteck</translation>
    </message>
    <message>
        <source>original scale</source>
        <translation>ursprünglicher Maßstab</translation>
    </message>
    <message>
        <source>everything, corners blank</source>
        <translation>alles, leere Ecken</translation>
    </message>
    <message>
        <source>All off</source>
        <translation>Alles aus</translation>
    </message>
    <message>
        <source>border of the straightened frame</source>
        <translation>Rand der begradigten Aufnahme</translation>
    </message>
    <message>
        <source>coloured fringes</source>
        <translation>farbige Säume</translation>
    </message>
    <message>
        <source>lens corrections off</source>
        <translation>Objektivkorrekturen aus</translation>
    </message>
    <message>
        <source>the file names no lens</source>
        <translation>die Datei nennt kein Objektiv</translation>
    </message>
    <message>
        <source>no profile of that lens</source>
        <translation>kein Profil dieses Objektivs</translation>
    </message>
    <message>
        <source>choose the profile</source>
        <translation>das Profil wählen</translation>
    </message>
    <message>
        <source>lateral</source>
        <translation>Farbquerfehler</translation>
    </message>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
    <message>
        <source>, </source>
        <translation>, </translation>
    </message>
    <message>
        <source>profile of the lens</source>
        <translation>Profil des Objektivs</translation>
    </message>
    <message>
        <source>measured lateral aberration</source>
        <translation>gemessener Farbquerfehler</translation>
    </message>
    <message>
        <source>Measuring ...</source>
        <translation>Misst ...</translation>
    </message>
    <message>
        <source>From: %1</source>
        <translation>Aus: %1</translation>
    </message>
    <message numerus="yes">
        <source>choose one of %n profiles</source>
        <translation>
            <numerusform>das %n Profil wählen</numerusform>
            <numerusform>eines von %n Profilen wählen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::LivePane</name>
    <message>
        <source>doubt shows at 100 % and closer</source>
        <translation>Zweifel zeigt sich ab 100 %</translation>
    </message>
    <message>
        <source>no doubt to tell of this frame</source>
        <translation>bei dieser Aufnahme lässt sich kein Zweifel sagen</translation>
    </message>
    <message>
        <source>settled, %1 s</source>
        <translation>fertig, %L1 s</translation>
    </message>
    <message>
        <source>computing, %1 %</source>
        <translation>rechnet, %1 %</translation>
    </message>
    <message>
        <source>stale, computing</source>
        <translation>veraltet, rechnet</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>rechnet</translation>
    </message>
</context>
<context>
    <name>irenic::LosslessDecoder</name>
    <message>
        <source>does not begin as a JPEG</source>
        <translation>beginnt nicht wie ein JPEG</translation>
    </message>
    <message>
        <source>has a broken segment</source>
        <translation>hat einen zerstörten Abschnitt</translation>
    </message>
    <message>
        <source>ends inside a segment</source>
        <translation>endet in einem Abschnitt</translation>
    </message>
    <message>
        <source>has contradictory tables</source>
        <translation>hat widersprüchliche Tafeln</translation>
    </message>
    <message>
        <source>is not a lossless JPEG</source>
        <translation>ist kein verlustfreies JPEG</translation>
    </message>
    <message>
        <source>holds no scan</source>
        <translation>enthält keinen Durchgang</translation>
    </message>
    <message>
        <source>has a scan that does not fit its frame</source>
        <translation>hat einen Durchgang, der nicht in seinen Rahmen passt</translation>
    </message>
    <message>
        <source>names a table that it does not hold</source>
        <translation>nennt eine Tafel, die es nicht enthält</translation>
    </message>
    <message>
        <source>has an unknown predictor</source>
        <translation>hat einen unbekannten Prädiktor</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>wurde nicht bis zum Ende dekodiert</translation>
    </message>
    <message>
        <source>holds a code that its table does not know</source>
        <translation>enthält einen Code, den seine Tafel nicht kennt</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>bricht ab</translation>
    </message>
    <message>
        <source>lacks a restart marker</source>
        <translation>lässt eine Marke des Neubeginns vermissen</translation>
    </message>
</context>
<context>
    <name>irenic::Loupe</name>
    <message>
        <source>First picture</source>
        <translation>Erstes Bild</translation>
    </message>
    <message>
        <source>Second picture</source>
        <translation>Zweites Bild</translation>
    </message>
    <message>
        <source>How the two pictures are shown</source>
        <translation>Wie die beiden Bilder gezeigt werden</translation>
    </message>
    <message>
        <source>wipe across</source>
        <translation>quer wischen</translation>
    </message>
    <message>
        <source>wipe down</source>
        <translation>längs wischen</translation>
    </message>
    <message>
        <source>side by side</source>
        <translation>nebeneinander</translation>
    </message>
    <message>
        <source>Swap</source>
        <translation>Tauschen</translation>
    </message>
    <message>
        <source>The two change places (Q)</source>
        <translation>Die beiden tauschen den Platz (Q)</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Zurück zur Wand (Esc)</translation>
    </message>
    <message>
        <source>settled</source>
        <translation>fertig</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>rechnet</translation>
    </message>
    <message>
        <source>Untreated</source>
        <translation>Unbehandelt</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Gast %1</translation>
    </message>
</context>
<context>
    <name>irenic::MainWindow</name>
    <message>
        <source>Irenic</source>
        <translation>Irenic</translation>
    </message>
    <message>
        <source>Roll</source>
        <translation>Film</translation>
    </message>
    <message>
        <source>as it was opened</source>
        <translation>wie geöffnet</translation>
    </message>
    <message>
        <source>Readings</source>
        <translation>Messwerte</translation>
    </message>
    <message>
        <source>Histogram</source>
        <translation>Histogramm</translation>
    </message>
    <message>
        <source>Shooting data</source>
        <translation>Aufnahmedaten</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>Rendering</source>
        <translation>Entwicklung</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>Regions</source>
        <translation>Bereiche</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objektiv</translation>
    </message>
    <message>
        <source>That session is open in another window. This is a copy, kept by itself.</source>
        <translation>Diese Sitzung ist in einem anderen Fenster offen. Dies ist eine Kopie, für sich gesichert.</translation>
    </message>
    <message>
        <source>Everything is as it was left.</source>
        <translation>Alles ist, wie es verlassen wurde.</translation>
    </message>
    <message>
        <source>%1 is not open; open it, and pin the file as a guest there.</source>
        <translation>%1 ist nicht offen; öffnen Sie sie, und heften Sie die Datei dort als Gast an.</translation>
    </message>
    <message>
        <source>Written and verified: %1</source>
        <translation>Geschrieben und geprüft: %1</translation>
    </message>
    <message>
        <source>Left out %1: %2.</source>
        <translation>%1 ausgelassen: %2.</translation>
    </message>
    <message>
        <source>One export was not finished the last time. Resume it in the Queue, or cancel it there.</source>
        <translation>Ein Export wurde das letzte Mal nicht fertig. In der Warteschlange fortsetzen oder abbrechen.</translation>
    </message>
    <message>
        <source>hold Space: untreated     T: test strip     W: loupe     Y: blind round     K: keep     Ctrl+E: export     F1: all keys</source>
        <translation>Leertaste halten: unbehandelt     T: Probestreifen     W: Lupe     Y: Blindvergleich     K: behalten     Strg+E: exportieren     F1: alle Tasten</translation>
    </message>
    <message>
        <source>Enter: to the wall     Shift and Ctrl: choose several     Ctrl+E: export them</source>
        <translation>Eingabe: zur Wand     Umschalt und Strg: mehrere wählen     Strg+E: sie exportieren</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>whole frame</source>
        <translation>ganze Aufnahme</translation>
    </message>
    <message>
        <source>, pushed %1 EV</source>
        <translation>, Push %1 EV</translation>
    </message>
    <message>
        <source>, %1</source>
        <translation>, %1</translation>
    </message>
    <message>
        <source>   keeper</source>
        <translation>   Favorit</translation>
    </message>
    <message>
        <source>
grain left %1 %, colour %2 %, detail lost %3</source>
        <translation>
Rest: Korn %L1 %, Farbe %L2 %, Verlust %L3</translation>
    </message>
    <message>
        <source>%1 at %2, %3%4%5. Strengths are multiples of the measured noise. Irenic %6</source>
        <translation>%1 bei %2, %3%4%5. Stärken sind Vielfache des gemessenen Rauschens. Irenic %6</translation>
    </message>
    <message>
        <source>   %1</source>
        <translation>   %1</translation>
    </message>
    <message>
        <source>Not every picture is settled yet; write the comparison when they are.</source>
        <translation>Noch ist nicht jedes Bild fertig; den Vergleich schreiben, wenn sie es sind.</translation>
    </message>
    <message>
        <source>Write the comparison</source>
        <translation>Den Vergleich schreiben</translation>
    </message>
    <message>
        <source>PNG (*.png)</source>
        <translation>PNG (*.png)</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>There is a spot for every digit already; remove one first.</source>
        <translation>Für jede Ziffer gibt es schon eine Stelle; zuerst eine entfernen.</translation>
    </message>
    <message>
        <source>Name of spot %1</source>
        <translation>Name der Stelle %1</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>measured %1 of %2, stopped</source>
        <translation>%1 von %2 gemessen, angehalten</translation>
    </message>
    <message>
        <source>measured %1 of %2</source>
        <translation>%1 von %2 gemessen</translation>
    </message>
    <message>
        <source>all pictures settled</source>
        <translation>alle Bilder fertig</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>rechnet</translation>
    </message>
    <message>
        <source>both settled</source>
        <translation>beide fertig</translation>
    </message>
    <message>
        <source>all panes settled</source>
        <translation>alle Bilder fertig</translation>
    </message>
    <message>
        <source>settled: %1 of %2 panes</source>
        <translation>fertig: %1 von %2 Bildern</translation>
    </message>
    <message>
        <source>The folder %1 holds no photographs that can be read.</source>
        <translation>Der Ordner %1 enthält keine lesbaren Fotos.</translation>
    </message>
    <message>
        <source>Open a session</source>
        <translation>Eine Sitzung öffnen</translation>
    </message>
    <message>
        <source>Sessions (*%1)</source>
        <translation>Sitzungen (*%1)</translation>
    </message>
    <message>
        <source>There is no session to go on with, or another window has it.</source>
        <translation>Es gibt keine Sitzung zum Weitermachen, oder ein anderes Fenster hat sie.</translation>
    </message>
    <message>
        <source>Save the session as</source>
        <translation>Die Sitzung speichern unter</translation>
    </message>
    <message>
        <source>The session is kept in %1 from now on.</source>
        <translation>Die Sitzung wird von jetzt an in %1 gesichert.</translation>
    </message>
    <message>
        <source>%1 - Irenic</source>
        <translation>%1 - Irenic</translation>
    </message>
    <message>
        <source>%1 is off the roll; the file stays where it is. Undo puts it back.</source>
        <translation>%1 ist vom Film; die Datei bleibt, wo sie ist. Rückgängig holt sie wieder.</translation>
    </message>
    <message>
        <source>Where is %1 now?</source>
        <translation>Wo ist %1 jetzt?</translation>
    </message>
    <message>
        <source>%1 (%1);;All files (*)</source>
        <translation>%1 (%1);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>That file is in the roll already.</source>
        <translation>Diese Datei ist schon auf dem Film.</translation>
    </message>
    <message>
        <source>Found.</source>
        <translation>Gefunden.</translation>
    </message>
    <message>
        <source>Open frames</source>
        <translation>Aufnahmen öffnen</translation>
    </message>
    <message>
        <source>Open a folder of frames</source>
        <translation>Einen Ordner mit Aufnahmen öffnen</translation>
    </message>
    <message>
        <source>The demo roll has not been made; ./demo --build makes it.</source>
        <translation>Der Demofilm ist noch nicht gemacht; ./demo --build macht ihn.</translation>
    </message>
    <message>
        <source>The frame on the wall is not read yet; export when it is.</source>
        <translation>Die Aufnahme an der Wand ist noch nicht gelesen; exportieren, wenn sie es ist.</translation>
    </message>
    <message>
        <source>There is no starting point of your own for %1 yet: keepers that were exported do not agree beyond chance.</source>
        <translation>Für %1 gibt es noch keinen eigenen Ausgangspunkt: Die exportierten Favoriten stimmen nicht über den Zufall hinaus überein.</translation>
    </message>
    <message>
        <source>beside the originals</source>
        <translation>neben die Originale</translation>
    </message>
    <message>
        <source>in %1 beside the originals</source>
        <translation>in %1 neben den Originalen</translation>
    </message>
    <message>
        <source>in %1</source>
        <translation>in %1</translation>
    </message>
    <message>
        <source>One file</source>
        <translation>Eine Datei</translation>
    </message>
    <message>
        <source>%1 into the queue, %2, each with its suggestion; about %3.</source>
        <translation>%1 in die Warteschlange, %2, jede mit ihrem Vorschlag; etwa %3.</translation>
    </message>
    <message>
        <source>%1 into the queue, %2, each with its suggestion.</source>
        <translation>%1 in die Warteschlange, %2, jede mit ihrem Vorschlag.</translation>
    </message>
    <message>
        <source>No further frame is measured until it goes on (Frame menu).</source>
        <translation>Keine weitere Aufnahme wird gemessen, bis es weitergeht (Menü Aufnahme).</translation>
    </message>
    <message>
        <source>Measuring goes on.</source>
        <translation>Das Messen geht weiter.</translation>
    </message>
    <message>
        <source>point at a picture to read a pixel</source>
        <translation>auf ein Bild zeigen, um ein Pixel zu lesen</translation>
    </message>
    <message>
        <source>untreated</source>
        <translation>unbehandelt</translation>
    </message>
    <message>
        <source>guest</source>
        <translation>Gast</translation>
    </message>
    <message>
        <source>pushed %1%2 EV, for looking only</source>
        <translation>Push %1%2 EV, nur zum Ansehen</translation>
    </message>
    <message>
        <source>shown: %1</source>
        <translation>gezeigt: %1</translation>
    </message>
    <message>
        <source>untreated pixels everywhere</source>
        <translation>überall unbehandelte Pixel</translation>
    </message>
    <message>
        <source>blink in the place of %1: %2</source>
        <translation>Blinken an der Stelle von %1: %2</translation>
    </message>
    <message>
        <source>every %1 s</source>
        <translation>alle %L1 s</translation>
    </message>
    <message>
        <source>go on</source>
        <translation>weiter</translation>
    </message>
    <message>
        <source>difference from %1, %2 times</source>
        <translation>Unterschied zu %1, %2-fach</translation>
    </message>
    <message>
        <source>stronger</source>
        <translation>stärker</translation>
    </message>
    <message>
        <source>the region&apos;s mask lies over the pictures</source>
        <translation>die Maske des Bereichs liegt über den Bildern</translation>
    </message>
    <message>
        <source>About Irenic</source>
        <translation>Über Irenic</translation>
    </message>
    <message>
        <source>Irenic %1

Compares and applies noise reduction on raw photographs.
Free software under the GNU General Public License, version 3 or later.
The typeface is Lato, under the SIL Open Font License.</source>
        <translation>Irenic %1

Vergleicht Rauschminderung an Raw-Fotos und wendet sie an.
Freie Software unter der GNU General Public License, Version 3 oder später.
Die Schrift ist Lato, unter der SIL Open Font License.</translation>
    </message>
    <message>
        <source>Profile of this screen</source>
        <translation>Profil dieses Bildschirms</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Exports are running</source>
        <translation>Exporte laufen</translation>
    </message>
    <message>
        <source>Closing stops them. Files that are written stay, nothing half-written is left, and the rest is offered again at the next start. Close?</source>
        <translation>Schließen hält sie an. Geschriebene Dateien bleiben, nichts halb Geschriebenes bleibt zurück, und der Rest wird beim nächsten Start wieder angeboten. Schließen?</translation>
    </message>
    <message>
        <source>The session is not kept</source>
        <translation>Die Sitzung ist nicht gesichert</translation>
    </message>
    <message>
        <source>Close all the same?</source>
        <translation>Trotzdem schließen?</translation>
    </message>
    <message>
        <source>Spots are the same on all frames of a series from now on.</source>
        <translation>Ab jetzt sind die Stellen auf allen Aufnahmen einer Serie dieselben.</translation>
    </message>
    <message>
        <source>Every frame has its own spots.</source>
        <translation>Jede Aufnahme hat ihre eigenen Stellen.</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message numerus="yes">
        <source>The queue is done: %n files written and verified. The Queue card (F12) tells of each.</source>
        <translation>
            <numerusform>Die Warteschlange ist fertig: %n Datei geschrieben und geprüft. Die Karte Warteschlange (F12) sagt von jeder.</numerusform>
            <numerusform>Die Warteschlange ist fertig: %n Dateien geschrieben und geprüft. Die Karte Warteschlange (F12) sagt von jeder.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n exports were not finished the last time. Resume them in the Queue, or cancel them there.</source>
        <translation>
            <numerusform>%n Export wurde das letzte Mal nicht fertig. In der Warteschlange fortsetzen oder abbrechen.</numerusform>
            <numerusform>%n Exporte wurden das letzte Mal nicht fertig. In der Warteschlange fortsetzen oder abbrechen.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Found %n files of the session there.</source>
        <translation>
            <numerusform>%n Datei der Sitzung dort gefunden.</numerusform>
            <numerusform>%n Dateien der Sitzung dort gefunden.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n files</source>
        <translation>
            <numerusform>%n Datei</numerusform>
            <numerusform>%n Dateien</numerusform>
        </translation>
    </message>
    <message>
        <source>The queue is done: %1 written and verified, %2 failed. The Queue card (F12) tells of each.</source>
        <translation>Die Warteschlange ist fertig: %1 geschrieben und geprüft, %2 misslungen. Die Karte Warteschlange (F12) sagt von jeder.</translation>
    </message>
</context>
<context>
    <name>irenic::MapView</name>
    <message>
        <source>Map of the frame</source>
        <translation>Karte der Aufnahme</translation>
    </message>
    <message>
        <source>The whole frame. Click or drag to look elsewhere.</source>
        <translation>Die ganze Aufnahme. Klicken oder ziehen, um anderswohin zu schauen.</translation>
    </message>
</context>
<context>
    <name>irenic::OutputProof</name>
    <message>
        <source>The output profile %1 cannot be read.</source>
        <translation>Das Ausgabeprofil %1 ist nicht zu lesen.</translation>
    </message>
    <message>
        <source>Profile of the output</source>
        <translation>Profil der Ausgabe</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>ICC-Profile (*.icc *.icm)</translation>
    </message>
</context>
<context>
    <name>irenic::OutputSizeDialog</name>
    <message>
        <source>Output size</source>
        <translation>Ausgabegröße</translation>
    </message>
    <message>
        <source>Shows the frame as it will be seen at its final size. Noise that is not seen there need not be fought.</source>
        <translation>Zeigt die Aufnahme, wie sie in ihrer endgültigen Größe zu sehen ist. Rauschen, das man dort nicht sieht, braucht nicht bekämpft zu werden.</translation>
    </message>
    <message>
        <source>Long edge</source>
        <translation>Lange Kante</translation>
    </message>
    <message>
        <source> pixels</source>
        <translation> Pixel</translation>
    </message>
    <message>
        <source>Print, long edge</source>
        <translation>Druck, lange Kante</translation>
    </message>
    <message>
        <source> cm</source>
        <translation> cm</translation>
    </message>
    <message>
        <source> pixels per inch</source>
        <translation> Pixel je Zoll</translation>
    </message>
    <message>
        <source>at</source>
        <translation>bei</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Zeigen</translation>
    </message>
    <message>
        <source>The frame has %1 pixels there: every one will be seen, as at 100 %.</source>
        <translation>Die Aufnahme hat dort %1 Pixel: Jedes wird zu sehen sein, wie bei 100 %.</translation>
    </message>
    <message>
        <source>%1 of %2 pixels: shown at %3 %.</source>
        <translation>%1 von %2 Pixeln: gezeigt mit %3 %.</translation>
    </message>
</context>
<context>
    <name>irenic::Plot</name>
    <message>
        <source>%1 against %2</source>
        <translation>%1 über %2</translation>
    </message>
    <message>
        <source>%1
%2: %3
%4: %5</source>
        <translation>%1
%2: %3
%4: %5</translation>
    </message>
</context>
<context>
    <name>irenic::PointerMenus</name>
    <message>
        <source>Show in the file manager</source>
        <translation>Im Dateimanager zeigen</translation>
    </message>
    <message>
        <source>Mark a spot here</source>
        <translation>Hier eine Stelle markieren</translation>
    </message>
    <message>
        <source>Move spot %1 here</source>
        <translation>Stelle %1 hierher rücken</translation>
    </message>
    <message>
        <source>Rename...</source>
        <translation>Umbenennen ...</translation>
    </message>
    <message>
        <source>Move to the middle of the view</source>
        <translation>In die Mitte der Ansicht rücken</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Früher</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
</context>
<context>
    <name>irenic::QueueOnDesktop</name>
    <message>
        <source>Photographs are being exported</source>
        <translation>Fotos werden exportiert</translation>
    </message>
    <message>
        <source>One file was written and verified.</source>
        <translation>Eine Datei wurde geschrieben und geprüft.</translation>
    </message>
    <message>
        <source>%1 %2 failed; the Queue card says why.</source>
        <translation>%1 %2 misslungen; die Karte Warteschlange sagt, warum.</translation>
    </message>
    <message>
        <source>The queue is done</source>
        <translation>Die Warteschlange ist fertig</translation>
    </message>
    <message numerus="yes">
        <source>%n files were written and verified.</source>
        <translation>
            <numerusform>%n Datei wurde geschrieben und geprüft.</numerusform>
            <numerusform>%n Dateien wurden geschrieben und geprüft.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::QueuePanel</name>
    <message>
        <source>waiting</source>
        <translation>wartet</translation>
    </message>
    <message>
        <source>running</source>
        <translation>läuft</translation>
    </message>
    <message>
        <source>verified</source>
        <translation>geprüft</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>auslassen</translation>
    </message>
    <message>
        <source>failed</source>
        <translation>misslungen</translation>
    </message>
    <message>
        <source>cancelled</source>
        <translation>abgebrochen</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>Warteschlange</translation>
    </message>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>state</source>
        <translation>Zustand</translation>
    </message>
    <message>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>The running export is finished first</source>
        <translation>Der laufende Export wird zuerst fertig</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>All that wait or run. Files that are written stay; nothing half-written is left</source>
        <translation>Alles, was wartet oder läuft. Geschriebene Dateien bleiben; nichts halb Geschriebenes bleibt zurück</translation>
    </message>
    <message>
        <source>Retry</source>
        <translation>Nochmals</translation>
    </message>
    <message>
        <source>All that failed, once more</source>
        <translation>Alles, was misslang, noch einmal</translation>
    </message>
    <message>
        <source>Report...</source>
        <translation>Bericht ...</translation>
    </message>
    <message>
        <source>What was written where, how long it took and how it was verified, as text</source>
        <translation>Was wohin geschrieben wurde, wie lange es dauerte und wie es geprüft wurde, als Text</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>Takes what is over off this list; files stay</source>
        <translation>Nimmt von der Liste, was vorbei ist; Dateien bleiben</translation>
    </message>
    <message>
        <source>its natural format</source>
        <translation>sein natürliches Format</translation>
    </message>
    <message>
        <source>%1 as %2</source>
        <translation>%1 als %2</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>Nothing was exported yet. Ctrl+E puts frames into the queue.</source>
        <translation>Noch wurde nichts exportiert. Strg+E stellt Aufnahmen in die Warteschlange.</translation>
    </message>
    <message>
        <source>Pauses after this frame.</source>
        <translation>Pausiert nach dieser Aufnahme.</translation>
    </message>
    <message>
        <source>Paused; %1 waiting.</source>
        <translation>Pausiert; %1 warten.</translation>
    </message>
    <message>
        <source>%1 waiting.</source>
        <translation>%1 warten.</translation>
    </message>
    <message>
        <source>%1 waiting, about %2 left in all.</source>
        <translation>%1 warten, noch etwa %2 insgesamt.</translation>
    </message>
    <message>
        <source>Done.</source>
        <translation>Fertig.</translation>
    </message>
    <message>
        <source>1 written and verified.</source>
        <translation>1 geschrieben und geprüft.</translation>
    </message>
    <message>
        <source>1 failed; its original is as it was.</source>
        <translation>1 misslungen; ihr Original ist, wie es war.</translation>
    </message>
    <message>
        <source>Resume</source>
        <translation>Fortsetzen</translation>
    </message>
    <message>
        <source>Open with which program?</source>
        <translation>Mit welchem Programm öffnen?</translation>
    </message>
    <message>
        <source>%1 could not be started.</source>
        <translation>%1 ließ sich nicht starten.</translation>
    </message>
    <message>
        <source>Report of the queue</source>
        <translation>Bericht der Warteschlange</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Text (*.txt)</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Open with...</source>
        <translation>Öffnen mit ...</translation>
    </message>
    <message>
        <source>Show in the file manager</source>
        <translation>Im Dateimanager zeigen</translation>
    </message>
    <message>
        <source>Pin as a guest beside its original</source>
        <translation>Als Gast neben das Original heften</translation>
    </message>
    <message>
        <source>Sooner (Alt+Up)</source>
        <translation>Früher (Alt+Auf)</translation>
    </message>
    <message>
        <source>Later (Alt+Down)</source>
        <translation>Später (Alt+Ab)</translation>
    </message>
    <message>
        <source>First of all</source>
        <translation>Als Allererstes</translation>
    </message>
    <message>
        <source>Cancel (Delete)</source>
        <translation>Abbrechen (Entf)</translation>
    </message>
    <message>
        <source>≈ %1</source>
        <translation>≈ %1</translation>
    </message>
    <message numerus="yes">
        <source>%n written and verified.</source>
        <translation>
            <numerusform>%n geschrieben und geprüft.</numerusform>
            <numerusform>%n geschrieben und geprüft.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n failed; their originals are as they were.</source>
        <translation>
            <numerusform>%n misslungen; ihr Original ist, wie es war.</numerusform>
            <numerusform>%n misslungen; ihre Originale sind, wie sie waren.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Read</name>
    <message>
        <source>%1 %2; nothing was changed.</source>
        <translation>%1 %2; nichts wurde geändert.</translation>
    </message>
    <message>
        <source>is not a %1</source>
        <translation>ist nicht von dieser Art: %1</translation>
    </message>
    <message>
        <source>is a %1 without a version</source>
        <translation>ist ohne Angabe der Version (%1)</translation>
    </message>
    <message>
        <source>is a %1 of a later version of Irenic</source>
        <translation>ist von einer späteren Version von Irenic (%1)</translation>
    </message>
</context>
<context>
    <name>irenic::ReadBudget</name>
    <message>
        <source>claims %1 x %2 pixels in %3 bytes, which no photograph does</source>
        <translation>gibt %1 x %2 Pixel in %3 Bytes an, was keine Fotografie tut</translation>
    </message>
    <message>
        <source>is too large: opening it takes about %1 of memory, and %2 may be used here</source>
        <translation>ist zu groß: Es zu öffnen braucht etwa %1 Speicher, und %2 dürfen hier benutzt werden</translation>
    </message>
</context>
<context>
    <name>irenic::ReadingsPanel</name>
    <message>
        <source>Measure the whole frame</source>
        <translation>Die ganze Aufnahme messen</translation>
    </message>
    <message>
        <source>grain left</source>
        <translation>Korn, Rest</translation>
    </message>
    <message>
        <source>Luminance noise that is left on smooth parts, as a share of what was measured</source>
        <translation>Luminanzrauschen, das auf glatten Flächen bleibt, als Anteil des gemessenen</translation>
    </message>
    <message>
        <source>colour noise left</source>
        <translation>Farbrauschen, Rest</translation>
    </message>
    <message>
        <source>Colour noise that is left on smooth parts</source>
        <translation>Farbrauschen, das auf glatten Flächen bleibt</translation>
    </message>
    <message>
        <source>detail lost</source>
        <translation>Verlust</translation>
    </message>
    <message>
        <source>How much picture went with the noise: 0 is none, 1 is nothing but picture</source>
        <translation>Wie viel Bild mit dem Rauschen ging: 0 heißt keins, 1 nichts als Bild</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>Zweifel</translation>
    </message>
    <message>
        <source>How much of the detail would be another one had the noise been another one: it may be made up (hold Q to see it)</source>
        <translation>Wie viel der Zeichnung eine andere wäre, wäre das Rauschen ein anderes: Sie kann erfunden sein (Q halten, um sie zu sehen)</translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>Nähe</translation>
    </message>
    <message>
        <source>Estimated likeness to the same picture without noise; the higher, the nearer</source>
        <translation>Geschätzte Ähnlichkeit mit demselben Bild ohne Rauschen; je höher, desto näher</translation>
    </message>
    <message>
        <source>colour drift</source>
        <translation>Farbdrift</translation>
    </message>
    <message>
        <source>CIEDE2000 of the means of 64 x 64 pixels against the untreated frame: median, and the 95th percentile</source>
        <translation>CIEDE2000 der Mittel von 64 x 64 Pixeln gegen die unbehandelte Aufnahme: Median und 95. Perzentil</translation>
    </message>
    <message>
        <source>evenness</source>
        <translation>Gleichmaß</translation>
    </message>
    <message>
        <source>Median over 95th percentile of the grain left, block by block: 100 % is even</source>
        <translation>Median durch 95. Perzentil des restlichen Korns, Block um Block: 100 % ist gleichmäßig</translation>
    </message>
    <message>
        <source>smooth share</source>
        <translation>glatter Anteil</translation>
    </message>
    <message>
        <source>Share of the frame that is smooth enough to tell noise from picture</source>
        <translation>Anteil der Aufnahme, der glatt genug ist, um Rauschen von Bild zu unterscheiden</translation>
    </message>
    <message>
        <source>time for the frame</source>
        <translation>Zeit für die Aufnahme</translation>
    </message>
    <message>
        <source>Seconds that cleaning took, less what was known already</source>
        <translation>Sekunden, die das Entrauschen brauchte, ohne das, was schon bekannt war</translation>
    </message>
    <message>
        <source>What the map shows</source>
        <translation>Was die Karte zeigt</translation>
    </message>
    <message>
        <source>Noise that this trial left; how far it is from the picture without noise, as estimated; or where it is further from it than another trial that was measured</source>
        <translation>Rauschen, das diese Probe übrig ließ; wie weit sie geschätzt vom Bild ohne Rauschen ist; oder wo sie weiter davon ist als eine andere gemessene Probe</translation>
    </message>
    <message>
        <source>Worst place</source>
        <translation>Schlimmste Stelle</translation>
    </message>
    <message>
        <source>Look at the first of the places that the map rings; again for the next (J)</source>
        <translation>Zur ersten der eingekreisten Stellen der Karte; nochmals für die nächste (J)</translation>
    </message>
    <message>
        <source>Mark it</source>
        <translation>Markieren</translation>
    </message>
    <message>
        <source>Make the worst place a spot</source>
        <translation>Die schlimmste Stelle zur Stelle machen</translation>
    </message>
    <message>
        <source>brightness, EV against clipping</source>
        <translation>Helligkeit, EV unter dem Beschnitt</translation>
    </message>
    <message>
        <source>noise, % of clipping</source>
        <translation>Rauschen, % des Vollausschlags</translation>
    </message>
    <message>
        <source>Stop (%1 %)</source>
        <translation>Anhalten (%1 %)</translation>
    </message>
    <message>
        <source>Choose a trial on the wall</source>
        <translation>Eine Probe an der Wand wählen</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1 ± %2 dB</source>
        <translation>%L1 ± %L2 dB</translation>
    </message>
    <message>
        <source>too little is left to tell</source>
        <translation>zu wenig ist übrig, um es zu sagen</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>about %1 s</source>
        <translation>etwa %L1 s</translation>
    </message>
    <message>
        <source>map: noise left</source>
        <translation>Karte: Rest an Rauschen</translation>
    </message>
    <message>
        <source>map: estimated error</source>
        <translation>Karte: geschätzter Fehler</translation>
    </message>
    <message>
        <source>map: error against %1</source>
        <translation>Karte: Fehler gegen %1</translation>
    </message>
    <message>
        <source>nothing smooth here to tell</source>
        <translation>hier ist nichts glatt genug</translation>
    </message>
    <message>
        <source>%1 % of the grain is left</source>
        <translation>%1 % des Korns ist übrig</translation>
    </message>
    <message>
        <source>Black: no grain left. White: %1 %. Hatched: nothing smooth there. Rings: the worst places.</source>
        <translation>Schwarz: kein Korn übrig. Weiß: %1 %. Schraffiert: dort ist nichts glatt. Ringe: die schlimmsten Stellen.</translation>
    </message>
    <message>
        <source>estimated error %1 of 255</source>
        <translation>geschätzter Fehler %1 von 255</translation>
    </message>
    <message>
        <source>How far this trial is from the picture without noise, as estimated. White: %1 of 255 steps. Rings: the worst places.</source>
        <translation>Wie weit diese Probe geschätzt vom Bild ohne Rauschen ist. Weiß: %1 von 255 Stufen. Ringe: die schlimmsten Stellen.</translation>
    </message>
    <message>
        <source>%1 of 255 further from the picture without noise than %2</source>
        <translation>%1 von 255 weiter vom Bild ohne Rauschen als %2</translation>
    </message>
    <message>
        <source>%1 of 255 nearer to the picture without noise than %2</source>
        <translation>%1 von 255 näher am Bild ohne Rauschen als %2</translation>
    </message>
    <message>
        <source>Pale: further from the picture without noise than %1, as estimated. Dark: nearer. Middle grey: level. Rings: where the two differ most.</source>
        <translation>Hell: geschätzt weiter vom Bild ohne Rauschen als %1. Dunkel: näher. Mittelgrau: gleichauf. Ringe: wo die beiden sich am meisten unterscheiden.</translation>
    </message>
    <message>
        <source>law</source>
        <translation>Gesetz</translation>
    </message>
    <message>
        <source>untreated</source>
        <translation>unbehandelt</translation>
    </message>
    <message>
        <source>after %1</source>
        <translation>nach %1</translation>
    </message>
</context>
<context>
    <name>irenic::RecipeBook</name>
    <message>
        <source>The folder %1 cannot be made; the recipe was not saved.</source>
        <translation>Der Ordner %1 lässt sich nicht anlegen; das Rezept ist nicht gesichert.</translation>
    </message>
    <message>
        <source>The recipe %1 could not be removed.</source>
        <translation>Das Rezept %1 ließ sich nicht entfernen.</translation>
    </message>
    <message>
        <source>There is no recipe %1.</source>
        <translation>Ein Rezept %1 gibt es nicht.</translation>
    </message>
</context>
<context>
    <name>irenic::RecipeMenus</name>
    <message>
        <source>&amp;Apply a recipe</source>
        <translation>Ein Rezept &amp;anwenden</translation>
    </message>
    <message>
        <source>Apply a recipe to a&amp;ll frames</source>
        <translation>Ein Rezept auf a&amp;lle Aufnahmen anwenden</translation>
    </message>
    <message>
        <source>E&amp;xport a recipe</source>
        <translation>Ein Rezept e&amp;xportieren</translation>
    </message>
    <message>
        <source>F&amp;orget a recipe</source>
        <translation>Ein Rezept &amp;vergessen</translation>
    </message>
    <message>
        <source>%1   (%2)</source>
        <translation>%1   (%2)</translation>
    </message>
    <message>
        <source>recipe %1 on %2</source>
        <translation>Rezept %1 auf %2</translation>
    </message>
    <message>
        <source>Export the recipe</source>
        <translation>Das Rezept exportieren</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>Forgot the recipe %1.</source>
        <translation>Das Rezept %1 ist vergessen.</translation>
    </message>
    <message>
        <source>recipe %1 on chosen frames</source>
        <translation>Rezept %1 auf gewählte Aufnahmen</translation>
    </message>
    <message>
        <source>No recipe was saved yet (Ctrl+Shift+R on the wall)</source>
        <translation>Noch kein Rezept gesichert (Strg+Umschalt+R an der Wand)</translation>
    </message>
    <message>
        <source>Save as a recipe</source>
        <translation>Als Rezept sichern</translation>
    </message>
    <message>
        <source>Name of the recipe</source>
        <translation>Name des Rezepts</translation>
    </message>
    <message>
        <source>Saved the recipe %1.</source>
        <translation>Das Rezept %1 ist gesichert.</translation>
    </message>
    <message>
        <source>Import a recipe</source>
        <translation>Ein Rezept importieren</translation>
    </message>
    <message>
        <source>Recipes and exported pictures (*.json *.dng *.tif *.tiff *.jpg *.jpeg *.png)</source>
        <translation>Rezepte und exportierte Bilder (*.json *.dng *.tif *.tiff *.jpg *.jpeg *.png)</translation>
    </message>
    <message>
        <source>Imported %1.</source>
        <translation>%1 importiert.</translation>
    </message>
    <message>
        <source>%1 is the keeper of one frame now.</source>
        <translation>%1 ist jetzt der Favorit von einer Aufnahme.</translation>
    </message>
    <message numerus="yes">
        <source>%1 is the keeper of %n frames now.</source>
        <translation>
            <numerusform>%1 ist jetzt der Favorit von %n Aufnahme.</numerusform>
            <numerusform>%1 ist jetzt der Favorit von %n Aufnahmen.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::RegionsPanel</name>
    <message>
        <source>painted</source>
        <translation>gemalt</translation>
    </message>
    <message>
        <source>gradient</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>brightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>sharpness</source>
        <translation>Schärfe</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>Textur</translation>
    </message>
    <message>
        <source>With a brush, on the wall</source>
        <translation>Mit einem Pinsel, an der Wand</translation>
    </message>
    <message>
        <source>Fades along a line that is drawn on the wall</source>
        <translation>Klingt an einer Linie aus, die an der Wand gezogen wird</translation>
    </message>
    <message>
        <source>What is as bright as that; at first the shadows</source>
        <translation>Was so hell ist; anfangs die Schatten</translation>
    </message>
    <message>
        <source>What has the colour of a place that is clicked at</source>
        <translation>Was die Farbe einer angeklickten Stelle hat</translation>
    </message>
    <message>
        <source>What is in focus, as measured on the frame</source>
        <translation>Was scharf gestellt ist, wie an der Aufnahme gemessen</translation>
    </message>
    <message>
        <source>What has fine contrast beyond its noise</source>
        <translation>Was feinen Kontrast über seinem Rauschen hat</translation>
    </message>
    <message>
        <source>Regions of the frame</source>
        <translation>Bereiche der Aufnahme</translation>
    </message>
    <message>
        <source>Add a region</source>
        <translation>Einen Bereich hinzufügen</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Entfernen</translation>
    </message>
    <message>
        <source>inverted</source>
        <translation>umgekehrt</translation>
    </message>
    <message>
        <source>name of a region</source>
        <translation>Name eines Bereichs</translation>
    </message>
    <message>
        <source>colour of a region</source>
        <translation>Farbe eines Bereichs</translation>
    </message>
    <message>
        <source>px</source>
        <translation>px</translation>
    </message>
    <message>
        <source>%1 of a region</source>
        <translation>%1 eines Bereichs</translation>
    </message>
    <message>
        <source>Made of</source>
        <translation>Besteht aus</translation>
    </message>
    <message>
        <source>Parts of the region</source>
        <translation>Teile des Bereichs</translation>
    </message>
    <message>
        <source>Add a part</source>
        <translation>Einen Teil hinzufügen</translation>
    </message>
    <message>
        <source>How the part joins those before it</source>
        <translation>Wie der Teil sich zu denen davor fügt</translation>
    </message>
    <message>
        <source>adds</source>
        <translation>kommt hinzu</translation>
    </message>
    <message>
        <source>subtracts</source>
        <translation>geht ab</translation>
    </message>
    <message>
        <source>limits</source>
        <translation>begrenzt</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Malen</translation>
    </message>
    <message>
        <source>Drag on a picture to paint; the middle button moves the pictures (Ctrl+B)</source>
        <translation>Auf einem Bild ziehen, um zu malen; die mittlere Taste bewegt die Bilder (Strg+B)</translation>
    </message>
    <message>
        <source>Erase</source>
        <translation>Radieren</translation>
    </message>
    <message>
        <source>Drag on a picture to take away (Ctrl+Shift+B)</source>
        <translation>Auf einem Bild ziehen, um wegzunehmen (Strg+Umschalt+B)</translation>
    </message>
    <message>
        <source>Pick the colour</source>
        <translation>Die Farbe aufnehmen</translation>
    </message>
    <message>
        <source>Click on something of that colour in a picture</source>
        <translation>In einem Bild auf etwas von dieser Farbe klicken</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>beginning of a region</source>
        <translation>Anfang eines Bereichs</translation>
    </message>
    <message>
        <source>end of a region</source>
        <translation>Ende eines Bereichs</translation>
    </message>
    <message>
        <source>softness of a region</source>
        <translation>Weichheit eines Bereichs</translation>
    </message>
    <message>
        <source>joining of a region</source>
        <translation>Fügung eines Bereichs</translation>
    </message>
    <message>
        <source>How the region is shown</source>
        <translation>Wie der Bereich gezeigt wird</translation>
    </message>
    <message>
        <source>mask not shown</source>
        <translation>Maske nicht gezeigt</translation>
    </message>
    <message>
        <source>mask as a tint</source>
        <translation>Maske als Tönung</translation>
    </message>
    <message>
        <source>mask alone</source>
        <translation>Maske allein</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Of the tint</source>
        <translation>Der Tönung</translation>
    </message>
    <message>
        <source>Colour of the tint</source>
        <translation>Farbe der Tönung</translation>
    </message>
    <message>
        <source>A frame can have %1 regions.</source>
        <translation>Eine Aufnahme kann %1 Bereiche haben.</translation>
    </message>
    <message>
        <source>region %1</source>
        <translation>Bereich %1</translation>
    </message>
    <message>
        <source>adding a region</source>
        <translation>Hinzufügen eines Bereichs</translation>
    </message>
    <message>
        <source>adding a part to a region</source>
        <translation>Hinzufügen eines Teils zu einem Bereich</translation>
    </message>
    <message>
        <source>removing a region</source>
        <translation>Entfernen eines Bereichs</translation>
    </message>
    <message>
        <source>removing a part of a region</source>
        <translation>Entfernen eines Teils eines Bereichs</translation>
    </message>
    <message>
        <source>inverting a region</source>
        <translation>Umkehren eines Bereichs</translation>
    </message>
    <message>
        <source>clearing a region</source>
        <translation>Leeren eines Bereichs</translation>
    </message>
    <message>
        <source>line of a gradient</source>
        <translation>Linie eines Verlaufs</translation>
    </message>
    <message>
        <source>a stroke taken away</source>
        <translation>ein weggenommener Strich</translation>
    </message>
    <message>
        <source>a stroke of the brush</source>
        <translation>ein Pinselstrich</translation>
    </message>
    <message>
        <source>, 1 stroke</source>
        <translation>, 1 Strich</translation>
    </message>
    <message>
        <source>without: %1</source>
        <translation>ohne: %1</translation>
    </message>
    <message>
        <source>only where: %1</source>
        <translation>nur wo: %1</translation>
    </message>
    <message numerus="yes">
        <source>, %n strokes</source>
        <translation>
            <numerusform>, %n Strich</numerusform>
            <numerusform>, %n Striche</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::RenderingPanel</name>
    <message>
        <source>On the wall and in TIFF and proofs. A DNG stays raw and is not touched by it.</source>
        <translation>An der Wand, in TIFF und in Ansichten. Ein DNG bleibt raw und davon unberührt.</translation>
    </message>
    <message>
        <source>White as shot</source>
        <translation>Weiß wie aufgenommen</translation>
    </message>
    <message>
        <source>The light that the camera balanced for</source>
        <translation>Das Licht, auf das die Kamera abglich</translation>
    </message>
    <message>
        <source>white as shot</source>
        <translation>Weiß wie aufgenommen</translation>
    </message>
    <message>
        <source>Pick a grey</source>
        <translation>Ein Grau aufnehmen</translation>
    </message>
    <message>
        <source>Click on something in a picture that ought to be neutral</source>
        <translation>In einem Bild auf etwas klicken, das neutral sein sollte</translation>
    </message>
    <message>
        <source>Automatic brightness</source>
        <translation>Automatische Helligkeit</translation>
    </message>
    <message>
        <source>Brings the middle of the tones to a middle tone, as far as the lights allow</source>
        <translation>Bringt die Mitte der Töne auf einen mittleren Ton, soweit die Lichter es erlauben</translation>
    </message>
    <message>
        <source>All as shot</source>
        <translation>Alles wie aufgenommen</translation>
    </message>
    <message>
        <source>Every control back to where it does nothing</source>
        <translation>Jeder Regler dorthin zurück, wo er nichts tut</translation>
    </message>
    <message>
        <source>rendering as shot</source>
        <translation>Entwicklung wie aufgenommen</translation>
    </message>
    <message>
        <source>All frames alike</source>
        <translation>Alle Aufnahmen gleich</translation>
    </message>
    <message>
        <source>Every other frame of the roll is rendered as this one</source>
        <translation>Jede andere Aufnahme des Films wird wie diese entwickelt</translation>
    </message>
    <message>
        <source>Every other frame is rendered so already.</source>
        <translation>Jede andere Aufnahme ist schon so entwickelt.</translation>
    </message>
    <message>
        <source>One other frame is rendered so now.</source>
        <translation>Eine weitere Aufnahme ist jetzt so entwickelt.</translation>
    </message>
    <message>
        <source>That place is blown, black, or of a colour that no light has; the white balance stays as it was.</source>
        <translation>Diese Stelle ist ausgefressen, schwarz oder von einer Farbe, die kein Licht hat; der Weißabgleich blieb, wie er war.</translation>
    </message>
    <message>
        <source>white from a grey</source>
        <translation>Weiß aus einem Grau</translation>
    </message>
    <message>
        <source>automatic brightness</source>
        <translation>automatische Helligkeit</translation>
    </message>
    <message numerus="yes">
        <source>%n other frames are rendered so now.</source>
        <translation>
            <numerusform>%n weitere Aufnahme ist jetzt so entwickelt.</numerusform>
            <numerusform>%n weitere Aufnahmen sind jetzt so entwickelt.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Roll</name>
    <message>
        <source>%1 is not where it was. What was decided about it is kept; say where the file is now (Frame, Find the file).</source>
        <translation>%1 ist nicht, wo sie war. Was über sie entschieden wurde, bleibt; sagen Sie, wo die Datei jetzt ist (Aufnahme, Die Datei suchen).</translation>
    </message>
</context>
<context>
    <name>irenic::RollModel</name>
    <message>
        <source>%1, not opened: %2</source>
        <translation>%1, nicht geöffnet: %2</translation>
    </message>
    <message>
        <source>%1, not measured yet</source>
        <translation>%1, noch nicht gemessen</translation>
    </message>
    <message>
        <source>%1, %2, grain %3 %, colour noise %4 %</source>
        <translation>%1, %2, Korn %L3 %, Farbrauschen %L4 %</translation>
    </message>
    <message>
        <source>, keeper %1</source>
        <translation>, Favorit %1</translation>
    </message>
</context>
<context>
    <name>irenic::RollPanel</name>
    <message>
        <source>Roll</source>
        <translation>Film</translation>
    </message>
</context>
<context>
    <name>irenic::ScreenProfile</name>
    <message>
        <source>The screen profile %1 cannot be read; colours are shown as sRGB.</source>
        <translation>Das Bildschirmprofil %1 ist nicht lesbar; Farben werden als sRGB gezeigt.</translation>
    </message>
    <message>
        <source>screen: sRGB</source>
        <translation>Bildschirm: sRGB</translation>
    </message>
    <message>
        <source>screen: %1</source>
        <translation>Bildschirm: %1</translation>
    </message>
    <message>
        <source>profile without a name</source>
        <translation>Profil ohne Namen</translation>
    </message>
</context>
<context>
    <name>irenic::ScreenTransform</name>
    <message>
        <source>The screen&apos;s profile %1; colours are shown as sRGB.</source>
        <translation>Das Profil des Bildschirms %1; Farben werden als sRGB gezeigt.</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>ist nicht zu lesen</translation>
    </message>
    <message>
        <source>is not that of an RGB screen</source>
        <translation>ist nicht das eines RGB-Bildschirms</translation>
    </message>
    <message>
        <source>cannot be used</source>
        <translation>ist nicht zu brauchen</translation>
    </message>
</context>
<context>
    <name>irenic::SessionKeeper</name>
    <message>
        <source>The session could not be kept. %1 It is still open; what was kept before is still there.</source>
        <translation>Die Sitzung konnte nicht gesichert werden. %1 Sie ist noch offen; was vorher gesichert war, ist noch da.</translation>
    </message>
    <message>
        <source>The session cannot be kept by itself: nothing can be written in %1. Save it under a name of your own (Ctrl+S).</source>
        <translation>Die Sitzung kann nicht von selbst gesichert werden: In %1 lässt sich nichts schreiben. Unter einem eigenen Namen speichern (Strg+S).</translation>
    </message>
    <message>
        <source>%1 is there already and is no session of this version; it was left as it is. Choose another name.</source>
        <translation>%1 ist schon da und keine Sitzung dieser Version; sie blieb, wie sie ist. Einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>%1 is open in another window; choose another name.</source>
        <translation>%1 ist in einem anderen Fenster offen; einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>session</source>
        <translation>Sitzung</translation>
    </message>
</context>
<context>
    <name>irenic::SheetModel</name>
    <message numerus="yes">
        <source>, and %n more of its series</source>
        <translation>
            <numerusform>, und %n weitere ihrer Serie</numerusform>
            <numerusform>, und %n weitere ihrer Serie</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::ShootingPanel</name>
    <message>
        <source>file</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>camera</source>
        <translation>Kamera</translation>
    </message>
    <message>
        <source>lens</source>
        <translation>Objektiv</translation>
    </message>
    <message>
        <source>taken</source>
        <translation>aufgenommen</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>shutter</source>
        <translation>Belichtungszeit</translation>
    </message>
    <message>
        <source>1/%1 s</source>
        <translation>1/%1 s</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>aperture</source>
        <translation>Blende</translation>
    </message>
    <message>
        <source>f/%1</source>
        <translation>f/%1</translation>
    </message>
    <message>
        <source>focal length</source>
        <translation>Brennweite</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>size</source>
        <translation>Größe</translation>
    </message>
    <message>
        <source>%1 x %2 pixels</source>
        <translation>%1 x %2 Pixel</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>%1 bits</source>
        <translation>%1 Bit</translation>
    </message>
    <message>
        <source>pattern</source>
        <translation>Muster</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>Korn</translation>
    </message>
    <message>
        <source>%1 % of the mid-tone</source>
        <translation>%L1 % des Mitteltons</translation>
    </message>
    <message>
        <source>colour noise</source>
        <translation>Farbrauschen</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>noise law</source>
        <translation>Rauschgesetz</translation>
    </message>
    <message>
        <source>variance %1 x signal + %2</source>
        <translation>Varianz %1 x Signal + %2</translation>
    </message>
    <message>
        <source>certainty</source>
        <translation>Sicherheit</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Hinweis</translation>
    </message>
</context>
<context>
    <name>irenic::ShownNotes</name>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>off</source>
        <translation>aus</translation>
    </message>
</context>
<context>
    <name>irenic::SoftProof</name>
    <message>
        <source>cannot be read</source>
        <translation>ist nicht zu lesen</translation>
    </message>
    <message>
        <source>is of no RGB, CMYK or grey output</source>
        <translation>gehört zu keiner Ausgabe in RGB, CMYK oder Grau</translation>
    </message>
    <message>
        <source>leads only one way</source>
        <translation>führt nur in eine Richtung</translation>
    </message>
    <message>
        <source>The output profile %1.</source>
        <translation>Das Ausgabeprofil %1.</translation>
    </message>
</context>
<context>
    <name>irenic::SpotBar</name>
    <message>
        <source>picture</source>
        <translation>Bild</translation>
    </message>
    <message>
        <source>removed</source>
        <translation>Entferntes</translation>
    </message>
    <message>
        <source>luminance only</source>
        <translation>nur Luminanz</translation>
    </message>
    <message>
        <source>colour only</source>
        <translation>nur Farbe</translation>
    </message>
    <message>
        <source>spared by sharpening</source>
        <translation>vom Schärfen verschont</translation>
    </message>
    <message>
        <source>clipping</source>
        <translation>Beschnitt</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>Zweifel</translation>
    </message>
    <message>
        <source>+</source>
        <translation>+</translation>
    </message>
    <message>
        <source>Mark a spot</source>
        <translation>Eine Stelle markieren</translation>
    </message>
    <message>
        <source>Mark a spot in the middle of the view (S); Shift and click marks one on a picture</source>
        <translation>Eine Stelle in der Mitte der Ansicht markieren (S); Umschalt und Klick markiert eine in einem Bild</translation>
    </message>
    <message>
        <source>Side of the pictures that is shown</source>
        <translation>Gezeigte Seite der Bilder</translation>
    </message>
    <message>
        <source>rows</source>
        <translation>Reihen</translation>
    </message>
    <message>
        <source>Rows of places</source>
        <translation>Reihen von Stellen</translation>
    </message>
    <message>
        <source>How many places hang at once, one a row</source>
        <translation>Wie viele Stellen zugleich hängen, eine je Reihe</translation>
    </message>
    <message>
        <source>Spot %1, %2</source>
        <translation>Stelle %1, %2</translation>
    </message>
    <message>
        <source>%1 (%2)</source>
        <translation>%1 (%2)</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
    <message>
        <source>soft proof</source>
        <translation>Proof</translation>
    </message>
    <message>
        <source>Which side of every picture is shown; hold R, L, O, X, Q or the comma for a moment of it</source>
        <translation>Welche Seite jedes Bildes gezeigt wird; R, L, O, X, Q oder das Komma für einen Augenblick halten</translation>
    </message>
    <message>
        <source>out of gamut</source>
        <translation>außerhalb des Gamuts</translation>
    </message>
</context>
<context>
    <name>irenic::StatusLine</name>
    <message>
        <source>Show in folder</source>
        <translation>Im Ordner zeigen</translation>
    </message>
    <message>
        <source>queue: paused, %1 waiting</source>
        <translation>Warteschlange: pausiert, %1 warten</translation>
    </message>
    <message>
        <source>queue: done, 1 file</source>
        <translation>Warteschlange: fertig, 1 Datei</translation>
    </message>
    <message>
        <source>queue: %1 of %2</source>
        <translation>Warteschlange: %1 von %2</translation>
    </message>
    <message>
        <source>, about %1 left</source>
        <translation>, noch etwa %1</translation>
    </message>
    <message numerus="yes">
        <source>queue: done, %n files</source>
        <translation>
            <numerusform>Warteschlange: fertig, %n Datei</numerusform>
            <numerusform>Warteschlange: fertig, %n Dateien</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::StrengthSlider</name>
    <message>
        <source>suggestion %1</source>
        <translation>Vorschlag %L1</translation>
    </message>
</context>
<context>
    <name>irenic::StripView</name>
    <message>
        <source>both %1 x</source>
        <translation>beide %L1 x</translation>
    </message>
    <message>
        <source>colour %1 x</source>
        <translation>Farbe %L1 x</translation>
    </message>
    <message>
        <source>luminance %1 x</source>
        <translation>Luminanz %L1 x</translation>
    </message>
    <message>
        <source>lum %1   col %2</source>
        <translation>Lum %L1   Farbe %L2</translation>
    </message>
    <message>
        <source>%1
%2 x suggested</source>
        <translation>%1
%2 x Vorschlag</translation>
    </message>
    <message>
        <source>What changes from picture to picture</source>
        <translation>Was sich von Bild zu Bild ändert</translation>
    </message>
    <message>
        <source>Test strip: both strengths</source>
        <translation>Probestreifen: beide Stärken</translation>
    </message>
    <message>
        <source>Test strip: luminance</source>
        <translation>Probestreifen: Luminanz</translation>
    </message>
    <message>
        <source>Test strip: colour</source>
        <translation>Probestreifen: Farbe</translation>
    </message>
    <message>
        <source>Ring-around: luminance x colour</source>
        <translation>Rundumprobe: Luminanz x Farbe</translation>
    </message>
    <message>
        <source>Ring-around: methods x strengths</source>
        <translation>Rundumprobe: Verfahren x Stärken</translation>
    </message>
    <message>
        <source> x</source>
        <translation> x</translation>
    </message>
    <message>
        <source>from</source>
        <translation>von</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>steps</source>
        <translation>Stufen</translation>
    </message>
    <message>
        <source>Use it</source>
        <translation>Nehmen</translation>
    </message>
    <message>
        <source>The trial takes the picked setting (Enter)</source>
        <translation>Die Probe nimmt die gewählte Einstellung (Eingabe)</translation>
    </message>
    <message>
        <source>As a trial</source>
        <translation>Als Probe</translation>
    </message>
    <message>
        <source>The picked setting becomes a trial of its own (N)</source>
        <translation>Die gewählte Einstellung wird eine eigene Probe (N)</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Zurück zur Wand (Esc)</translation>
    </message>
    <message>
        <source>Nearness of each picture of the strip</source>
        <translation>Nähe jedes Bildes des Streifens</translation>
    </message>
    <message>
        <source>How near each comes to the picture without noise, as estimated, dB; the mark is the nearest</source>
        <translation>Wie nah jedes geschätzt dem Bild ohne Rauschen kommt, dB; die Marke ist das nächste</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Use it for %1</source>
        <translation>Für %1 nehmen</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source> nearest</source>
        <translation> am nächsten</translation>
    </message>
    <message>
        <source>setting of %1 from the ring-around</source>
        <translation>Einstellung von %1 aus der Rundumprobe</translation>
    </message>
    <message>
        <source>strengths of %1 from the strip</source>
        <translation>Stärken von %1 aus dem Streifen</translation>
    </message>
    <message>
        <source>Frames before and after</source>
        <translation>Aufnahmen davor und danach</translation>
    </message>
    <message>
        <source>Go to it</source>
        <translation>Dorthin</translation>
    </message>
    <message>
        <source>The picked frame hangs, at this place (Enter)</source>
        <translation>Die gewählte Aufnahme hängt, an dieser Stelle (Eingabe)</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>is being read</source>
        <translation>wird gelesen</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
</context>
<context>
    <name>irenic::T</name>
    <message>
        <source>is cut off: a piece of the picture is shorter than its size asks for</source>
        <translation>ist abgeschnitten: Ein Stück des Bildes ist kürzer, als seine Größe verlangt</translation>
    </message>
    <message>
        <source>is damaged: a piece of its deflated picture cannot be unpacked</source>
        <translation>ist beschädigt: Ein Stück seines gepackten Bildes lässt sich nicht auspacken</translation>
    </message>
    <message>
        <source>is damaged: a piece of its compressed picture %1</source>
        <translation>ist beschädigt: Ein Stück seines komprimierten Bildes %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its compressed picture is too small</source>
        <translation>ist beschädigt: Ein Stück seines komprimierten Bildes ist zu klein</translation>
    </message>
    <message>
        <source>is compressed as a lossy JPEG of %1 bits; those of 8 and 12 bits are read</source>
        <translation>ist als verlustbehaftetes JPEG von %1 Bit komprimiert; gelesen werden solche von 8 und 12 Bit</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG does not fit its place</source>
        <translation>ist beschädigt: Ein Stück seines verlustbehafteten JPEG passt nicht an seinen Platz</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG cannot be decoded</source>
        <translation>ist beschädigt: Ein Stück seines verlustbehafteten JPEG lässt sich nicht dekodieren</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG %1</source>
        <translation>ist beschädigt: Ein Stück seines verlustbehafteten JPEG %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its JPEG XL picture %1</source>
        <translation>ist beschädigt: Ein Stück seines JPEG-XL-Bildes %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its JPEG XL picture does not fit its place</source>
        <translation>ist beschädigt: Ein Stück seines JPEG-XL-Bildes passt nicht an seinen Platz</translation>
    </message>
    <message>
        <source>could not be read to its end</source>
        <translation>ließ sich nicht bis zum Ende lesen</translation>
    </message>
</context>
<context>
    <name>irenic::ToneCurve</name>
    <message>
        <source>Strengths over brightness</source>
        <translation>Stärken nach Helligkeit</translation>
    </message>
    <message>
        <source>%1, %2: %3 x</source>
        <translation>%1, %2: %3 x</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>Factors of the strengths by brightness, over the frame&apos;s histogram.
Squares: luminance. Discs: colour. Drag up or down; double-click returns one to 1.</source>
        <translation>Faktoren der Stärken nach Helligkeit, über dem Histogramm der Aufnahme.
Quadrate: Luminanz. Scheiben: Farbe. Nach oben oder unten ziehen; ein Doppelklick stellt einen auf 1 zurück.</translation>
    </message>
</context>
<context>
    <name>irenic::TopBar</name>
    <message>
        <source>fit</source>
        <translation>ganz</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Whole frame</source>
        <translation>Ganze Aufnahme</translation>
    </message>
    <message>
        <source>Magnification %1 per cent</source>
        <translation>Vergrößerung %1 Prozent</translation>
    </message>
    <message>
        <source>Show the whole frame (Ctrl+0)</source>
        <translation>Die ganze Aufnahme zeigen (Strg+0)</translation>
    </message>
    <message>
        <source>One picture pixel on %1 screen pixels</source>
        <translation>Ein Bildpixel auf %1 Bildschirmpixeln</translation>
    </message>
    <message>
        <source>push</source>
        <translation>Push</translation>
    </message>
    <message>
        <source> EV</source>
        <translation> EV</translation>
    </message>
    <message>
        <source>Push, exposure lift for looking only</source>
        <translation>Push, Aufhellung nur zum Ansehen</translation>
    </message>
    <message>
        <source>Lifts the exposure for looking only; exported files are not lifted (P, Shift+P)</source>
        <translation>Hellt nur zum Ansehen auf; exportierte Dateien werden nicht aufgehellt (P, Umschalt+P)</translation>
    </message>
    <message>
        <source>finished picture</source>
        <translation>fertiges Bild</translation>
    </message>
    <message>
        <source>linear, full colour</source>
        <translation>linear, in voller Farbe</translation>
    </message>
    <message>
        <source>pattern %1</source>
        <translation>Muster %1</translation>
    </message>
    <message>
        <source>%1 %2
%3
%4 x %5 pixels, %6 bits, %7
%8</source>
        <translation>%1 %2
%3
%4 x %5 Pixel, %6 Bit, %7
%8</translation>
    </message>
</context>
<context>
    <name>irenic::TrialReadings</name>
    <message>
        <source>against the truth: %1 dB, SSIM %2</source>
        <translation>gegen die Wahrheit: %L1 dB, SSIM %L2</translation>
    </message>
    <message>
        <source>Read around the middle of the picture, over %1 x %1 pixels.
Left: what remains of grain and of colour noise on smooth parts.
Detail lost: how much picture went with the noise; 0 is none.
Doubt: how much of the detail would be another one with other noise, and may be made up.
Drift: how far mean colours moved, CIEDE2000.
Nearness: estimated likeness to the same picture without noise, dB; the higher, the nearer.
Truth: likeness to the clean picture, where that hangs as a guest (demo roll).
Time: of an export of the frame, as expected.
Bars of all strips are on one scale; those of nearness and truth begin at the untreated picture.</source>
        <translation>Gelesen um die Bildmitte, über %1 x %1 Pixel.
Rest: was auf glatten Flächen von Korn und Farbrauschen bleibt.
Verlust: wie viel Bild mit dem Rauschen ging; 0 heißt keins.
Zweifel: wie viel der Zeichnung mit anderem Rauschen eine andere wäre und erfunden sein kann.
Drift: wie weit mittlere Farben gewandert sind, CIEDE2000.
Nähe: geschätzte Ähnlichkeit mit demselben Bild ohne Rauschen, dB; je höher, desto näher.
Wahrheit: Ähnlichkeit mit dem sauberen Bild, wo es als Gast hängt (Demofilm).
Zeit: eines Exports der Aufnahme, wie erwartet.
Die Balken aller Streifen haben einen Maßstab; die von Nähe und Wahrheit beginnen beim unbehandelten Bild.</translation>
    </message>
    <message>
        <source>
Smooth parts here hold %1 times the noise that the law tells of: nearness is less sure.</source>
        <translation>
Glatte Flächen hier haben das %L1-fache des Rauschens, das das Gesetz nennt: Die Nähe ist weniger sicher.</translation>
    </message>
    <message>
        <source>
Laid over the untreated picture at a mix of %1, this trial would come %2 dB nearer.</source>
        <translation>
Mit einer Mischung von %L1 über das unbehandelte Bild gelegt, käme diese Probe um %L2 dB näher.</translation>
    </message>
    <message>
        <source>nearness: too little is left to tell</source>
        <translation>Nähe: zu wenig ist übrig, um es zu sagen</translation>
    </message>
    <message>
        <source>nearness %1 ± %2 dB</source>
        <translation>Nähe %L1 ± %L2 dB</translation>
    </message>
    <message>
        <source> nearest</source>
        <translation> am nächsten</translation>
    </message>
    <message>
        <source> about level</source>
        <translation> etwa gleichauf</translation>
    </message>
    <message>
        <source> behind</source>
        <translation> dahinter</translation>
    </message>
    <message>
        <source>%1 / %2</source>
        <translation>%L1 / %L2</translation>
    </message>
    <message>
        <source>  left %1 / %2 %</source>
        <translation>  Rest %L1 / %L2 %</translation>
    </message>
    <message>
        <source>  lost %1</source>
        <translation>  Verlust %L1</translation>
    </message>
    <message>
        <source>  true %1 dB</source>
        <translation>  wahr %L1 dB</translation>
    </message>
    <message>
        <source>left: grain %1 %, colour %2 %</source>
        <translation>Rest: Korn %L1 %, Farbe %L2 %</translation>
    </message>
    <message>
        <source>left: nothing smooth here to tell</source>
        <translation>Rest: hier ist nichts glatt genug</translation>
    </message>
    <message>
        <source>
detail lost %1   drift %2</source>
        <translation>
Verlust %L1   Drift %L2</translation>
    </message>
    <message>
        <source>   doubt %1 %</source>
        <translation>   Zweifel %L1 %</translation>
    </message>
    <message>
        <source>   halos %1 %</source>
        <translation>   Säume %L1 %</translation>
    </message>
    <message>
        <source>left</source>
        <translation>Rest</translation>
    </message>
    <message>
        <source>%1 / %2 %</source>
        <translation>%L1 / %L2 %</translation>
    </message>
    <message>
        <source>nothing smooth (F5: frame)</source>
        <translation>nichts Glattes (F5: Aufnahme)</translation>
    </message>
    <message>
        <source>lost</source>
        <translation>Verlust</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>Zweifel</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>cannot be told here</source>
        <translation>hier nicht zu sagen</translation>
    </message>
    <message>
        <source>drift</source>
        <translation>Drift</translation>
    </message>
    <message>
        <source>halos</source>
        <translation>Säume</translation>
    </message>
    <message>
        <source>nothing is sharpened</source>
        <translation>nichts wird geschärft</translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>Nähe</translation>
    </message>
    <message>
        <source>too little is left to tell</source>
        <translation>zu wenig ist übrig, um es zu sagen</translation>
    </message>
    <message>
        <source>truth</source>
        <translation>Wahrheit</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>rechnet</translation>
    </message>
    <message>
        <source>time</source>
        <translation>Zeit</translation>
    </message>
</context>
<context>
    <name>irenic::Walker</name>
    <message>
        <source>has too many directories inside each other</source>
        <translation>hat zu viele Verzeichnisse ineinander</translation>
    </message>
    <message>
        <source>has directories that point at each other in a loop</source>
        <translation>hat Verzeichnisse, die im Kreis aufeinander weisen</translation>
    </message>
    <message>
        <source>ends before its directory</source>
        <translation>endet vor seinem Verzeichnis</translation>
    </message>
    <message>
        <source>has a directory with an impossible number of entries</source>
        <translation>hat ein Verzeichnis mit unmöglich vielen Einträgen</translation>
    </message>
    <message>
        <source>ends inside its directory</source>
        <translation>endet in seinem Verzeichnis</translation>
    </message>
    <message>
        <source>has entries that claim more than the whole file</source>
        <translation>hat Einträge, die mehr als die ganze Datei beanspruchen</translation>
    </message>
    <message>
        <source>has entries that point beyond its end; it is cut off or damaged</source>
        <translation>hat Einträge, die hinter sein Ende weisen; es ist abgeschnitten oder beschädigt</translation>
    </message>
    <message>
        <source>points at a directory by a number that is no offset</source>
        <translation>weist auf ein Verzeichnis mit einer Zahl, die kein Ort ist</translation>
    </message>
</context>
<context>
    <name>irenic::Wall</name>
    <message>
        <source>Further columns of the wall</source>
        <translation>Weitere Spalten der Wand</translation>
    </message>
    <message>
        <source>Picture, %1, row %2</source>
        <translation>Bild, %1, Reihe %2</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>rechnet</translation>
    </message>
    <message>
        <source>measuring its noise</source>
        <translation>misst ihr Rauschen</translation>
    </message>
    <message>
        <source>reading</source>
        <translation>liest</translation>
    </message>
    <message>
        <source>%1   %2</source>
        <translation>%1   %2</translation>
    </message>
    <message>
        <source>Untreated</source>
        <translation>Unbehandelt</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Gast %1</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>%1 %2</source>
        <translation>%1 %2</translation>
    </message>
</context>
<context>
    <name>irenic::unet</name>
    <message>
        <source>The learned weights in %1 cannot be used: %2. Other methods work without them.</source>
        <translation>Die gelernten Gewichte in %1 sind nicht zu brauchen: %2. Andere Verfahren arbeiten ohne sie.</translation>
    </message>
    <message>
        <source>The learned weights are not there (%1); building Irenic puts them there. Other methods work without them.</source>
        <translation>Die gelernten Gewichte sind nicht da (%1); wird Irenic gebaut, kommen sie dorthin. Andere Verfahren arbeiten ohne sie.</translation>
    </message>
    <message>
        <source>it is no such file</source>
        <translation>Es ist keine solche Datei</translation>
    </message>
    <message>
        <source>The learned weights in %1 are of another version of Irenic. Other methods work without them.</source>
        <translation>Die gelernten Gewichte in %1 sind von einer anderen Version von Irenic. Andere Verfahren arbeiten ohne sie.</translation>
    </message>
    <message>
        <source>it tells of a network that cannot be</source>
        <translation>Die Datei beschreibt ein Netz, das nicht sein kann</translation>
    </message>
    <message>
        <source>it is not as long as it should be</source>
        <translation>Sie ist nicht so lang, wie sie sein soll</translation>
    </message>
    <message>
        <source>its check sum is wrong</source>
        <translation>Ihre Prüfsumme ist falsch</translation>
    </message>
    <message>
        <source>it holds what is no number</source>
        <translation>Sie enthält, was keine Zahl ist</translation>
    </message>
    <message>
        <source>they are those of another network</source>
        <translation>Es sind die eines anderen Netzes</translation>
    </message>
</context>
<context>
    <name>std</name>
    <message>
        <source>luminance</source>
        <translation>Luminanz</translation>
    </message>
    <message>
        <source>How much brightness noise to remove, as a multiple of what was measured</source>
        <translation>Wie viel Helligkeitsrauschen entfernt wird, als Vielfaches des gemessenen</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>How much colour noise to remove, as a multiple of what was measured</source>
        <translation>Wie viel Farbrauschen entfernt wird, als Vielfaches des gemessenen</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>Zeichnung</translation>
    </message>
    <message>
        <source>Gives structure back that the method took along with the noise</source>
        <translation>Gibt Zeichnung zurück, die das Verfahren mit dem Rauschen nahm</translation>
    </message>
    <message>
        <source>grain kept</source>
        <translation>Korn behalten</translation>
    </message>
    <message>
        <source>Leaves this share of the luminance noise as fine, even, neutral grain</source>
        <translation>Lässt diesen Anteil des Luminanzrauschens als feines, gleichmäßiges, neutrales Korn</translation>
    </message>
    <message>
        <source>mix</source>
        <translation>Mischung</translation>
    </message>
    <message>
        <source>How much of the treated picture is laid over the untreated one</source>
        <translation>Wie viel des behandelten Bildes über das unbehandelte gelegt wird</translation>
    </message>
    <message>
        <source>shadows</source>
        <translation>Schatten</translation>
    </message>
    <message>
        <source>Luminance strength in the shadows, as a factor</source>
        <translation>Luminanzstärke in den Schatten, als Faktor</translation>
    </message>
    <message>
        <source>mid-tones</source>
        <translation>Mitteltöne</translation>
    </message>
    <message>
        <source>Luminance strength in the mid-tones, as a factor</source>
        <translation>Luminanzstärke in den Mitteltönen, als Faktor</translation>
    </message>
    <message>
        <source>lights</source>
        <translation>Lichter</translation>
    </message>
    <message>
        <source>Luminance strength in the lights, as a factor</source>
        <translation>Luminanzstärke in den Lichtern, als Faktor</translation>
    </message>
    <message>
        <source>Colour strength in the shadows, as a factor</source>
        <translation>Farbstärke in den Schatten, als Faktor</translation>
    </message>
    <message>
        <source>Colour strength in the mid-tones, as a factor</source>
        <translation>Farbstärke in den Mitteltönen, als Faktor</translation>
    </message>
    <message>
        <source>Colour strength in the lights, as a factor</source>
        <translation>Farbstärke in den Lichtern, als Faktor</translation>
    </message>
    <message>
        <source>blotches</source>
        <translation>Flecken</translation>
    </message>
    <message>
        <source>Evens large blotches of colour in deep shadow</source>
        <translation>Ebnet große Farbflecken in tiefem Schatten</translation>
    </message>
    <message>
        <source>sharpen</source>
        <translation>Schärfen</translation>
    </message>
    <message>
        <source>Amount of capture sharpening: deconvolution of luminance, after the noise is gone</source>
        <translation>Maß der Aufnahmeschärfung: Entfaltung der Luminanz, nachdem das Rauschen fort ist</translation>
    </message>
    <message>
        <source>radius</source>
        <translation>Radius</translation>
    </message>
    <message>
        <source>Sigma of the blur that sharpening undoes, in pixels</source>
        <translation>Sigma der Unschärfe, die das Schärfen aufhebt, in Pixeln</translation>
    </message>
    <message>
        <source>spare smooth</source>
        <translation>Glattes schonen</translation>
    </message>
    <message>
        <source>Keeps smooth parts, and the noise in them, from being sharpened</source>
        <translation>Bewahrt glatte Flächen, und das Rauschen darin, vor dem Schärfen</translation>
    </message>
    <message>
        <source>spare edges</source>
        <translation>Kanten schonen</translation>
    </message>
    <message>
        <source>Keeps strong edges from getting halos</source>
        <translation>Bewahrt starke Kanten vor Säumen</translation>
    </message>
    <message>
        <source>JPEG blocks</source>
        <translation>JPEG-Blöcke</translation>
    </message>
    <message>
        <source>Softens the blocks and rings of a compressed JPEG before the method looks at it</source>
        <translation>Mildert Blöcke und Ringe eines komprimierten JPEGs, bevor das Verfahren es ansieht</translation>
    </message>
    <message>
        <source>exposure</source>
        <translation>Belichtung</translation>
    </message>
    <message>
        <source>Exposure, in EV</source>
        <translation>Belichtung, in EV</translation>
    </message>
    <message>
        <source>Lifts dark parts by up to two stops, or lowers them</source>
        <translation>Hebt dunkle Teile um bis zu zwei Blenden, oder senkt sie</translation>
    </message>
    <message>
        <source>contrast</source>
        <translation>Kontrast</translation>
    </message>
    <message>
        <source>Contrast about mid grey; black and white stay</source>
        <translation>Kontrast um Mittelgrau; Schwarz und Weiß bleiben</translation>
    </message>
    <message>
        <source>local contrast</source>
        <translation>lokaler Kontrast</translation>
    </message>
    <message>
        <source>Contrast against the surroundings</source>
        <translation>Kontrast gegen die Umgebung</translation>
    </message>
    <message>
        <source>Luminance strength inside the region</source>
        <translation>Luminanzstärke innerhalb des Bereichs</translation>
    </message>
    <message>
        <source>Colour strength inside the region</source>
        <translation>Farbstärke innerhalb des Bereichs</translation>
    </message>
    <message>
        <source>Detail given back inside the region</source>
        <translation>Zurückgegebene Zeichnung innerhalb des Bereichs</translation>
    </message>
    <message>
        <source>Grain kept inside the region</source>
        <translation>Behaltenes Korn innerhalb des Bereichs</translation>
    </message>
    <message>
        <source>Sharpening inside the region</source>
        <translation>Schärfung innerhalb des Bereichs</translation>
    </message>
    <message>
        <source>feather</source>
        <translation>weicher Rand</translation>
    </message>
    <message>
        <source>Softens the region&apos;s border, in pixels</source>
        <translation>Macht den Rand des Bereichs weich, in Pixeln</translation>
    </message>
    <message>
        <source>follow edges</source>
        <translation>Kanten folgen</translation>
    </message>
    <message>
        <source>Draws the region&apos;s border to edges of the picture</source>
        <translation>Zieht den Rand des Bereichs an Kanten des Bildes</translation>
    </message>
    <message>
        <source>scaled to %1 %</source>
        <translation>skaliert auf %1 %</translation>
    </message>
    <message>
        <source>laid at %1, %2</source>
        <translation>gelegt an %1, %2</translation>
    </message>
    <message>
        <source>moved by %1, %2</source>
        <translation>verschoben um %1, %2</translation>
    </message>
    <message>
        <source>red x %1, blue x %2</source>
        <translation>Rot x %1, Blau x %2</translation>
    </message>
    <message>
        <source>Nothing had to be matched.</source>
        <translation>Nichts musste angeglichen werden.</translation>
    </message>
    <message>
        <source>To match for viewing: %1.</source>
        <translation>Zum Ansehen angeglichen: %1.</translation>
    </message>
    <message>
        <source>Nearness can be estimated of raw frames alone: what was done to the noise of a finished picture is not known.</source>
        <translation>Die Nähe lässt sich nur bei Raw-Aufnahmen schätzen: Was mit dem Rauschen eines fertigen Bildes geschah, ist nicht bekannt.</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated here: the noise is hardly more than guessed.</source>
        <translation>Die Nähe lässt sich hier nicht schätzen: Das Rauschen ist kaum mehr als geraten.</translation>
    </message>
    <message>
        <source>It is %1 times what the file says of its camera; the measurement is used.</source>
        <translation>Es ist das %1-fache dessen, was die Datei von ihrer Kamera sagt; die Messung gilt.</translation>
    </message>
    <message>
        <source>The file says %1 times as much of its camera; the measurement is used.</source>
        <translation>Die Datei sagt das %1-fache von ihrer Kamera; die Messung gilt.</translation>
    </message>
    <message>
        <source>What the file says of its camera agrees.</source>
        <translation>Was die Datei von ihrer Kamera sagt, stimmt überein.</translation>
    </message>
    <message>
        <source>Every part of the frame is clipped or black; there is nothing to measure noise by.</source>
        <translation>Jeder Teil der Aufnahme ist beschnitten oder schwarz; es gibt nichts, woran sich Rauschen messen ließe.</translation>
    </message>
    <message>
        <source>Smooth areas of many tones pin the noise down well.</source>
        <translation>Glatte Flächen vieler Töne legen das Rauschen gut fest.</translation>
    </message>
    <message>
        <source>Few smooth areas; the noise is measured to within about a fifth.</source>
        <translation>Wenige glatte Flächen; das Rauschen ist auf etwa ein Fünftel genau gemessen.</translation>
    </message>
    <message>
        <source>Hardly any smooth areas; the measured noise is a guess from the texture&apos;s floor.</source>
        <translation>Kaum glatte Flächen; das gemessene Rauschen ist aus dem Boden der Textur geraten.</translation>
    </message>
    <message>
        <source>The file is a finished picture, whose noise is blurred and bent by what was done to it: the raw file would do better.</source>
        <translation>Die Datei ist ein fertiges Bild, dessen Rauschen durch die Bearbeitung verwischt und verbogen ist: Die Raw-Datei wäre besser.</translation>
    </message>
    <message>
        <source>Doubt can be told of raw frames alone: what was done to the noise of a finished picture is not known.</source>
        <translation>Der Zweifel lässt sich nur bei Raw-Aufnahmen sagen: Was mit dem Rauschen eines fertigen Bildes geschah, ist nicht bekannt.</translation>
    </message>
    <message>
        <source>its sensor pattern</source>
        <translation>Sensormuster</translation>
    </message>
    <message>
        <source>its active area</source>
        <translation>Aktive Fläche</translation>
    </message>
    <message>
        <source>its crop</source>
        <translation>Ausschnitt</translation>
    </message>
    <message>
        <source>its orientation</source>
        <translation>Ausrichtung</translation>
    </message>
    <message>
        <source>its black and white levels</source>
        <translation>Schwarz- und Weißwerte</translation>
    </message>
    <message>
        <source>its white balance</source>
        <translation>Weißabgleich</translation>
    </message>
    <message>
        <source>its colour matrices</source>
        <translation>Farbmatrizen</translation>
    </message>
    <message>
        <source>its baseline exposure</source>
        <translation>Grundbelichtung</translation>
    </message>
    <message>
        <source>is compressed in a way that this version does not read (TIFF compression %1)</source>
        <translation>ist auf eine Weise komprimiert, die diese Version nicht liest (TIFF-Kompression %1)</translation>
    </message>
    <message>
        <source>stores %1 bits a float; 16, 24 and 32 are read</source>
        <translation>speichert %1 Bit je Gleitkommazahl; gelesen werden 16, 24 und 32</translation>
    </message>
    <message>
        <source>stores %1 bits a sample; 8 to 32 are read</source>
        <translation>speichert %1 Bit je Wert; gelesen werden 8 bis 32</translation>
    </message>
    <message>
        <source>is compressed with a predictor that does not fit its samples (TIFF predictor %1)</source>
        <translation>ist mit einem Prädiktor komprimiert, der nicht zu seinen Werten passt (TIFF-Prädiktor %1)</translation>
    </message>
    <message>
        <source>claims a JPEG of samples that no JPEG holds</source>
        <translation>gibt ein JPEG von Werten an, die kein JPEG fasst</translation>
    </message>
    <message>
        <source>claims a lossy JPEG of samples that none holds</source>
        <translation>gibt ein verlustbehaftetes JPEG von Werten an, die keines fasst</translation>
    </message>
    <message>
        <source>%1 is estimated to come nearest to the picture without noise (%2).</source>
        <translation>%1 kommt dem Bild ohne Rauschen nach der Schätzung am nächsten (%2).</translation>
    </message>
    <message>
        <source>%1 is the quickest of those that are estimated to come within 0.1 dB of the nearest (%2).</source>
        <translation>%1 ist das schnellste von denen, die nach der Schätzung höchstens 0,1 dB hinter dem nächsten liegen (%2).</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.</source>
        <translation>Bei voller Farbe, deren Sensorwerte nicht mehr da sind, lässt sich die Nähe nicht schätzen: Was das Demosaiken aus deren Rauschen gemacht hat, ist nicht gut genug bekannt.</translation>
    </message>
    <message>
        <source>Doubt cannot be told of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.</source>
        <translation>Bei voller Farbe, deren Sensorwerte nicht mehr da sind, lässt sich Zweifel nicht angeben: Was das Demosaiken aus deren Rauschen gemacht hat, ist nicht gut genug bekannt.</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated here: neighbours share what little noise there is.</source>
        <translation>Die Nähe lässt sich hier nicht schätzen: Nachbarn teilen das wenige Rauschen, das da ist.</translation>
    </message>
</context>
</TS>
