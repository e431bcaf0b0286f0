<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="fr" sourcelanguage="en">
<context>
    <name>GuideNote</name>
    <message>
        <source>Hold Space: every picture shows its untreated pixels. Let go, and the trials are back.</source>
        <translation>Maintenez Espace : chaque image montre ses pixels non traités. Relâchez, et les essais sont de retour.</translation>
    </message>
    <message>
        <source>Hold R: what each trial removed. Whatever you can recognise in it is picture that went with the noise.</source>
        <translation>Maintenez R : ce que chaque essai a enlevé. Tout ce qu&apos;on y reconnaît est de l&apos;image partie avec le bruit.</translation>
    </message>
    <message>
        <source>Press 1 to 9: other places worth a look. With more rows (top right) several hang at once.</source>
        <translation>Appuyez sur 1 à 9 : d&apos;autres endroits qui valent un regard. Avec plus de rangées (en haut à droite), plusieurs sont accrochés à la fois.</translation>
    </message>
    <message>
        <source>Press T: one method at a ladder of strengths; Enter takes one. Press Y: a blind round, to decide without names.</source>
        <translation>T : une méthode sur une échelle de forces ; Entrée en prend une. Y : une comparaison à l&apos;aveugle, pour décider sans noms.</translation>
    </message>
    <message>
        <source>K keeps the trial, Ctrl+E exports the frame with it. The original is never written to.</source>
        <translation>K retient l&apos;essai, Ctrl+E exporte la vue avec lui. L&apos;original n&apos;est jamais modifié.</translation>
    </message>
</context>
<context>
    <name>QObject</name>
    <message>
        <source>taking %1 off the roll</source>
        <translation>retrait de %1 de la pellicule</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 à %2</translation>
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
        <translation>image</translation>
    </message>
    <message>
        <source>raw</source>
        <translation>raw</translation>
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
Un export de cette vue : environ %2</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>Colours by</source>
        <translation>Couleurs par</translation>
    </message>
    <message>
        <source>the same method</source>
        <translation>la même méthode</translation>
    </message>
</context>
<context>
    <name>irenic</name>
    <message>
        <source>red</source>
        <translation>rouge</translation>
    </message>
    <message>
        <source>By how many thousandths the red picture is larger than the green one</source>
        <translation>De combien de millièmes l&apos;image rouge est plus grande que la verte</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>bleu</translation>
    </message>
    <message>
        <source>By how many thousandths the blue picture is larger than the green one</source>
        <translation>De combien de millièmes l&apos;image bleue est plus grande que la verte</translation>
    </message>
    <message>
        <source>corners</source>
        <translation>coins</translation>
    </message>
    <message>
        <source>How much less light the corners got than the middle</source>
        <translation>Combien de lumière les coins ont reçu de moins que le milieu</translation>
    </message>
    <message>
        <source>fringes</source>
        <translation>franges</translation>
    </message>
    <message>
        <source>How much of the coloured fringes at strong edges is taken off; to be judged at 100 % and more</source>
        <translation>Combien des franges colorées aux contours forts est ôté ; à juger à 100 % et plus</translation>
    </message>
    <message>
        <source>bend</source>
        <translation>courbure</translation>
    </message>
    <message>
        <source>How far the corners lie too far in (barrel, below 0) or too far out (pincushion)</source>
        <translation>De combien les coins sont trop en dedans (barillet, sous 0) ou trop en dehors (coussinet)</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>stored %1</source>
        <translation>enregistré %1</translation>
    </message>
    <message>
        <source>linear %1</source>
        <translation>linéaire %1</translation>
    </message>
    <message>
        <source>linear %1 ± %2</source>
        <translation>linéaire %1 ± %2</translation>
    </message>
    <message>
        <source>%1 %2 %3 %4</source>
        <translation>%1 %2 %3 %4</translation>
    </message>
    <message>
        <source>size</source>
        <translation>taille</translation>
    </message>
    <message>
        <source>Radius of the brush, in pixels of the picture; 0.5 is one pixel</source>
        <translation>Rayon du pinceau, en pixels de l&apos;image ; 0,5 est un pixel</translation>
    </message>
    <message>
        <source>hardness</source>
        <translation>dureté</translation>
    </message>
    <message>
        <source>Share of the brush that lays on everything; beyond, it fades</source>
        <translation>Part du pinceau qui couvre tout ; au-delà, il s&apos;estompe</translation>
    </message>
    <message>
        <source>flow</source>
        <translation>flux</translation>
    </message>
    <message>
        <source>How much one stroke lays on; a pen&apos;s pressure lessens it</source>
        <translation>Combien un trait dépose ; la pression d&apos;un stylet le réduit</translation>
    </message>
    <message>
        <source>from</source>
        <translation>de</translation>
    </message>
    <message>
        <source>to</source>
        <translation>à</translation>
    </message>
    <message>
        <source>softness</source>
        <translation>douceur</translation>
    </message>
    <message>
        <source>How gently the part begins and ends</source>
        <translation>Avec quelle douceur la partie commence et finit</translation>
    </message>
    <message>
        <source>opacity</source>
        <translation>opacité</translation>
    </message>
    <message>
        <source>Of the mask over the pictures</source>
        <translation>Du masque sur les images</translation>
    </message>
    <message>
        <source>BM3D</source>
        <translation>BM3D</translation>
    </message>
    <message>
        <source>The classical best: keeps fine detail and cleans smooth tones well.</source>
        <translation>Le meilleur des classiques : garde le détail fin et nettoie bien les tons lisses.</translation>
    </message>
    <message>
        <source>About four times the wavelet&apos;s time.</source>
        <translation>Environ quatre fois le temps des ondelettes.</translation>
    </message>
    <message>
        <source>Sliding DCT</source>
        <translation>DCT glissante</translation>
    </message>
    <message>
        <source>Crisp lines and weaves; quick.</source>
        <translation>Lignes et tissages nets ; rapide.</translation>
    </message>
    <message>
        <source>About twice the wavelet&apos;s time.</source>
        <translation>Environ deux fois le temps des ondelettes.</translation>
    </message>
    <message>
        <source>Non-local means</source>
        <translation>Moyennes non locales</translation>
    </message>
    <message>
        <source>Repeating texture such as weave and rope; leaves a little fine grain.</source>
        <translation>Texture répétée comme tissages et cordages ; laisse un peu de grain fin.</translation>
    </message>
    <message>
        <source>About three times the wavelet&apos;s time.</source>
        <translation>Environ trois fois le temps des ondelettes.</translation>
    </message>
    <message>
        <source>Residual U-Net</source>
        <translation>U-Net résiduel</translation>
    </message>
    <message>
        <source>Fine lines, lettering and irregular texture; a network that learned from procedural pictures alone. Of two-by-two sensors; other frames get U-Net in full colour instead.</source>
        <translation>Lignes fines, lettres et texture irrégulière ; un réseau qui n&apos;a appris que d&apos;images calculées. Pour capteurs deux par deux ; les autres vues reçoivent à sa place le U-Net en couleur.</translation>
    </message>
    <message>
        <source>U-Net self-ensemble</source>
        <translation>U-Net, auto-ensemble</translation>
    </message>
    <message>
        <source>The export of a picture that matters: a network three times as large is asked four times, with the frame turned and with rows for columns, and the mean of its answers is taken. Of two-by-two sensors; other frames get U-Net in full colour instead.</source>
        <translation>L&apos;export d&apos;une image qui compte : un réseau trois fois plus grand est interrogé quatre fois, la vue tournée et transposée, et la moyenne de ses réponses est prise. Pour capteurs deux par deux ; les autres vues reçoivent à sa place le U-Net en couleur.</translation>
    </message>
    <message>
        <source>Ten times the residual U-Net&apos;s time, five times BM3D&apos;s.</source>
        <translation>Dix fois le temps du U-Net résiduel, cinq fois celui de BM3D.</translation>
    </message>
    <message>
        <source>U-Net in full colour</source>
        <translation>U-Net en couleur</translation>
    </message>
    <message>
        <source>Pictures that are developed here: one pass answers the sensor&apos;s samples and, in place of demosaicing them, the colours. A mosaic DNG gets the samples alone. Frames in full colour (linear ones, six-by-six sensors, finished pictures) have a network of their own, which sees noise where it cannot be measured.</source>
        <translation>Les images développées ici : une passe répond par les échantillons du capteur et, au lieu de les dématricer, par les couleurs. Un DNG en mosaïque ne reçoit que les échantillons. Les vues en couleur (linéaires, de capteurs six par six, images finies) ont leur propre réseau, qui voit le bruit là où il ne peut être mesuré.</translation>
    </message>
    <message>
        <source>About three times the residual U-Net&apos;s time.</source>
        <translation>Environ trois fois le temps du U-Net résiduel.</translation>
    </message>
    <message>
        <source>Wavelet shrinkage</source>
        <translation>Seuillage d&apos;ondelettes</translation>
    </message>
    <message>
        <source>Quick and even; keeps grain fine and edges free of halos.</source>
        <translation>Rapide et régulier ; garde le grain fin et les contours sans liserés.</translation>
    </message>
    <message>
        <source>About an eighth of a second a megapixel on two cores.</source>
        <translation>Environ un huitième de seconde par mégapixel sur deux cœurs.</translation>
    </message>
    <message>
        <source>temperature</source>
        <translation>température</translation>
    </message>
    <message>
        <source>Colour temperature of the light, in kelvin; 0 is as shot</source>
        <translation>Température de couleur de la lumière, en kelvins ; 0 comme à la prise de vue</translation>
    </message>
    <message>
        <source>tint</source>
        <translation>teinte</translation>
    </message>
    <message>
        <source>From magenta (below 0) to green (above 0), in thousandths of Duv</source>
        <translation>Du magenta (sous 0) au vert (au-dessus de 0), en millièmes de Duv</translation>
    </message>
    <message>
        <source>my own</source>
        <translation>à moi</translation>
    </message>
    <message>
        <source>A place that you marked</source>
        <translation>Un endroit que vous avez marqué</translation>
    </message>
    <message>
        <source>shadow</source>
        <translation>ombre</translation>
    </message>
    <message>
        <source>The deepest shadow that holds something</source>
        <translation>L&apos;ombre la plus profonde qui contient quelque chose</translation>
    </message>
    <message>
        <source>plain tone</source>
        <translation>ton uni</translation>
    </message>
    <message>
        <source>A smooth middle tone, where blotches show first</source>
        <translation>Un ton moyen lisse, où les taches se voient d&apos;abord</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>texture</translation>
    </message>
    <message>
        <source>The finest texture</source>
        <translation>La texture la plus fine</translation>
    </message>
    <message>
        <source>texture by smooth</source>
        <translation>texture près du lisse</translation>
    </message>
    <message>
        <source>Texture beside a smooth area</source>
        <translation>Texture à côté d&apos;une partie lisse</translation>
    </message>
    <message>
        <source>edge</source>
        <translation>contour</translation>
    </message>
    <message>
        <source>A hard edge</source>
        <translation>Un contour dur</translation>
    </message>
    <message>
        <source>point lights</source>
        <translation>points lumineux</translation>
    </message>
    <message>
        <source>Small lights that look like noise</source>
        <translation>Petites lumières qui ressemblent à du bruit</translation>
    </message>
    <message>
        <source>strong colour</source>
        <translation>couleur vive</translation>
    </message>
    <message>
        <source>The strongest colour</source>
        <translation>La couleur la plus vive</translation>
    </message>
    <message>
        <source>corner</source>
        <translation>coin</translation>
    </message>
    <message>
        <source>The corner with most in it</source>
        <translation>Le coin où il y a le plus de choses</translation>
    </message>
    <message>
        <source>most noise left</source>
        <translation>plus de bruit</translation>
    </message>
    <message>
        <source>Where a trial left more noise than elsewhere</source>
        <translation>Là où un essai a laissé plus de bruit qu&apos;ailleurs</translation>
    </message>
    <message>
        <source>heavy, where BM3D keeps the most detail and is worth its time.</source>
        <translation>fort, là où BM3D garde le plus de détail et vaut son temps.</translation>
    </message>
    <message>
        <source>moderate, where sliding DCT keeps as much detail as slower methods.</source>
        <translation>modéré, là où la DCT glissante garde autant de détail que des méthodes plus lentes.</translation>
    </message>
    <message>
        <source>heavy, where the residual U-Net keeps the most detail, in less time than BM3D.</source>
        <translation>fort, là où le U-Net résiduel garde le plus de détail, en moins de temps que BM3D.</translation>
    </message>
    <message>
        <source>light, so the quickest method loses nothing that shows.</source>
        <translation>léger, si bien que la méthode la plus rapide ne perd rien qui se voie.</translation>
    </message>
    <message>
        <source>Texture raises what is measured, by %1 times; %2 agrees with the calmest parts and is used.</source>
        <translation>La texture élève la mesure, de %1 fois ; %2 s&apos;accorde avec les parties les plus calmes et sert.</translation>
    </message>
    <message>
        <source>Too few smooth areas to measure by; the noise is taken from what the file says of its camera.</source>
        <translation>Trop peu de parties lisses pour mesurer ; le bruit est pris de ce que le fichier dit de son appareil.</translation>
    </message>
    <message>
        <source>what the file says of its camera</source>
        <translation>ce que le fichier dit de son appareil</translation>
    </message>
    <message>
        <source>that of an earlier frame of this camera</source>
        <translation>celui d&apos;une vue antérieure de cet appareil</translation>
    </message>
    <message>
        <source>that of %1 earlier frames of this camera</source>
        <translation>celui de %1 vues antérieures de cet appareil</translation>
    </message>
    <message>
        <source>Nothing to measure noise by; %1 is used.</source>
        <translation>Rien pour mesurer le bruit ; %1 sert.</translation>
    </message>
    <message>
        <source>That of an earlier frame of this camera agrees.</source>
        <translation>Celui d&apos;une vue antérieure de cet appareil s&apos;accorde.</translation>
    </message>
    <message>
        <source>That of %1 earlier frames of this camera agrees.</source>
        <translation>Celui de %1 vues antérieures de cet appareil s&apos;accorde.</translation>
    </message>
    <message>
        <source>At this ISO sensors usually have less; the measurement is lowered, %1 times.</source>
        <translation>À cette sensibilité les capteurs en ont d&apos;ordinaire moins ; la mesure est abaissée, de %1 fois.</translation>
    </message>
    <message>
        <source>Neighbouring samples share their noise: it was smoothed, or coded with loss, before it was stored.</source>
        <translation>Les échantillons voisins partagent leur bruit : il fut lissé, ou codé avec perte, avant d&apos;être enregistré.</translation>
    </message>
    <message>
        <source>The noise is what was decided with the help of earlier frames of this camera.</source>
        <translation>Le bruit est celui qui fut décidé à l&apos;aide de vues antérieures de cet appareil.</translation>
    </message>
    <message>
        <source>The picture&apos;s transparency or other extra channels were left out.</source>
        <translation>La transparence ou d&apos;autres canaux de l&apos;image furent laissés de côté.</translation>
    </message>
    <message>
        <source>The file holds several pictures; the first is read.</source>
        <translation>Le fichier contient plusieurs images ; la première est lue.</translation>
    </message>
    <message>
        <source>The picture&apos;s transparency was left out.</source>
        <translation>La transparence de l&apos;image fut laissée de côté.</translation>
    </message>
    <message>
        <source>The file holds several pictures; the main one is read.</source>
        <translation>Le fichier contient plusieurs images ; la principale est lue.</translation>
    </message>
    <message>
        <source>One of the file&apos;s lists of corrections cannot be read and is not shown.</source>
        <translation>Une des listes de corrections du fichier est illisible et n&apos;est pas montrée.</translation>
    </message>
    <message>
        <source>The file describes a curve or lines over its samples; they were applied on reading, and a DNG made of it holds linear samples.</source>
        <translation>Le fichier décrit une courbe ou des lignes sur ses échantillons ; elles furent appliquées à la lecture, et un DNG qui en est fait contient des échantillons linéaires.</translation>
    </message>
    <message>
        <source>The JPEG data are damaged in places; part of the picture may be missing.</source>
        <translation>Les données JPEG sont endommagées par endroits ; une partie de l&apos;image peut manquer.</translation>
    </message>
    <message>
        <source>The shooting data could not be read.</source>
        <translation>Les données de prise de vue n&apos;ont pas pu être lues.</translation>
    </message>
    <message>
        <source>The JPEG is heavily compressed; a trial can soften its blocks before the method. The raw file would serve better.</source>
        <translation>Le JPEG est fortement comprimé ; un essai peut adoucir ses blocs avant la méthode. Le fichier raw ferait mieux.</translation>
    </message>
    <message>
        <source>Its colour profile is more than curves and a matrix; the picture was converted to sRGB.</source>
        <translation>Son profil de couleur est plus que des courbes et une matrice ; l&apos;image fut convertie en sRGB.</translation>
    </message>
    <message>
        <source>Grain measures %1 of the mid-tone and colour noise %2: %3</source>
        <translation>Le grain mesure %1 du ton moyen et le bruit de couleur %2 : %3</translation>
    </message>
    <message>
        <source>The noise is measured with little certainty, so less of it is taken.</source>
        <translation>Le bruit est mesuré avec peu de certitude, on en prend donc moins.</translation>
    </message>
    <message>
        <source>%1 of %2 rows hold no picture (one flat value); the file may be damaged.</source>
        <translation>%1 rangées sur %2 ne contiennent pas d&apos;image (une seule valeur) ; le fichier peut être endommagé.</translation>
    </message>
    <message>
        <source>By the sensor&apos;s masked border black lies up to %1 above what the file says; the border is believed.</source>
        <translation>D&apos;après le bord masqué du capteur, le noir est jusqu&apos;à %1 au-dessus de ce que dit le fichier ; on croit le bord.</translation>
    </message>
    <message>
        <source>By the sensor&apos;s masked border black lies up to %1 below what the file says; the border is believed.</source>
        <translation>D&apos;après le bord masqué du capteur, le noir est jusqu&apos;à %1 au-dessous de ce que dit le fichier ; on croit le bord.</translation>
    </message>
    <message>
        <source>Its %1-bit floats were rounded to 16 bits; values below 0 and above 1 were cut off.</source>
        <translation>Ses nombres flottants de %1 bits furent arrondis à 16 bits ; les valeurs sous 0 et au-dessus de 1 furent coupées.</translation>
    </message>
    <message>
        <source>Its %1-bit numbers were rounded to 16 bits; values below 0 and above 1 were cut off.</source>
        <translation>Ses nombres de %1 bits furent arrondis à 16 bits ; les valeurs sous 0 et au-dessus de 1 furent coupées.</translation>
    </message>
    <message>
        <source>The file describes corrections that are kept in a DNG but not shown: %1.</source>
        <translation>Le fichier décrit des corrections qui restent dans un DNG mais ne sont pas montrées : %1.</translation>
    </message>
    <message>
        <source>%1 was not written: the picture could not be coded.</source>
        <translation>%1 n&apos;est pas écrit : l&apos;image n&apos;a pu être codée.</translation>
    </message>
    <message>
        <source>The %1 strength must lie between %2 and %3, not at %4.</source>
        <translation>La force de %1 doit être entre %2 et %3, non à %4.</translation>
    </message>
    <message>
        <source>The setting %1 must lie between %2 and %3, not at %4.</source>
        <translation>Le réglage %1 doit être entre %2 et %3, non à %4.</translation>
    </message>
    <message>
        <source>There is no method called &quot;%1&quot;; there is: %2.</source>
        <translation>Il n&apos;y a pas de méthode « %1 » ; il y a : %2.</translation>
    </message>
    <message>
        <source>The correction of %1 is beyond what any lens needs; nothing was changed.</source>
        <translation>La correction (%1) dépasse ce dont un objectif a besoin ; rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>lateral aberration</source>
        <translation>aberration latérale</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>distorsion</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>vignetage</translation>
    </message>
    <message>
        <source>coloured fringes</source>
        <translation>franges colorées</translation>
    </message>
    <message>
        <source>lens correction</source>
        <translation>correction d&apos;objectif</translation>
    </message>
    <message>
        <source>A frame can have %1 regions, not %2.</source>
        <translation>Une vue peut avoir %1 zones, non %2.</translation>
    </message>
    <message>
        <source>The setting %1 of the region &quot;%2&quot; is out of its range.</source>
        <translation>Le réglage %1 de la zone « %2 » est hors de ses limites.</translation>
    </message>
    <message>
        <source>set of regions</source>
        <translation>ensemble de zones</translation>
    </message>
    <message>
        <source>regions</source>
        <translation>zones</translation>
    </message>
    <message>
        <source>%1 would be larger than the four gigabytes that a DNG may have.</source>
        <translation>%1 dépasserait les quatre gigaoctets qu&apos;un DNG peut avoir.</translation>
    </message>
    <message>
        <source>%1 would be a %2 of %3 GB, and such files end at %4.</source>
        <translation>%1 serait un fichier (%2) de %3 Go, et de tels fichiers finissent à %4.</translation>
    </message>
    <message>
        <source>Nothing was written.</source>
        <translation>Rien n&apos;est écrit.</translation>
    </message>
    <message>
        <source>linear DNG</source>
        <translation>DNG linéaire</translation>
    </message>
    <message>
        <source>Such a sensor cannot be kept in a DNG of this version.</source>
        <translation>Un tel capteur ne peut être gardé dans un DNG de cette version.</translation>
    </message>
    <message>
        <source>A DNG of sensor samples takes a third of it.</source>
        <translation>Un DNG des échantillons du capteur en prend le tiers.</translation>
    </message>
    <message>
        <source>Fewer bits, or a DNG, would do.</source>
        <translation>Moins de bits, ou un DNG, suffiraient.</translation>
    </message>
    <message>
        <source>%1 has more than 65,500 pixels along a side, which no JPEG can hold; a PNG can. Nothing was written.</source>
        <translation>%1 a plus de 65 500 pixels d&apos;un côté, ce qu&apos;aucun JPEG ne contient ; un PNG le peut. Rien n&apos;est écrit.</translation>
    </message>
    <message>
        <source>it could not be decoded (%1)</source>
        <translation>il n&apos;a pu être décodé (%1)</translation>
    </message>
    <message>
        <source>its size was wrong</source>
        <translation>sa taille était fausse</translation>
    </message>
    <message>
        <source>%1 differed</source>
        <translation>%1 différaient</translation>
    </message>
    <message>
        <source>its samples differed</source>
        <translation>ses échantillons différaient</translation>
    </message>
    <message>
        <source>%1 was not written: %2 when it was read back. Nothing was left behind and the original is untouched.</source>
        <translation>%1 n&apos;est pas écrit : %2 à la relecture. Rien n&apos;est resté et l&apos;original est intact.</translation>
    </message>
    <message>
        <source>%1 is a finished picture and not raw; it can be written as a TIFF.</source>
        <translation>%1 est une image finie et non un raw ; elle peut être écrite en TIFF.</translation>
    </message>
    <message>
        <source>the shooting data could not be added</source>
        <translation>les données de prise de vue n&apos;ont pu être ajoutées</translation>
    </message>
    <message>
        <source>its pixels differed</source>
        <translation>ses pixels différaient</translation>
    </message>
    <message>
        <source>what it tells of its making differed</source>
        <translation>ce qu&apos;il dit de sa fabrication différait</translation>
    </message>
    <message>
        <source>A TIFF has 8, 16 or 32 bits, not %1.</source>
        <translation>Un TIFF a 8, 16 ou 32 bits, non %1.</translation>
    </message>
    <message>
        <source>The resolution must lie between 1 and 10000 dots an inch.</source>
        <translation>La résolution doit être entre 1 et 10000 points par pouce.</translation>
    </message>
    <message>
        <source>The name &quot;%1&quot; holds {%2}, which stands for nothing; use {name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} or {counter}.</source>
        <translation>Le nom « %1 » contient {%2}, qui ne veut rien dire ; possibles sont {name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} et {counter}.</translation>
    </message>
    <message>
        <source>&quot;%1&quot; cannot be the name of a file.</source>
        <translation>« %1 » ne peut être un nom de fichier.</translation>
    </message>
    <message>
        <source>The sidecar %1 cannot be read; the picture itself was written.</source>
        <translation>Le fichier annexe %1 ne peut être lu ; l&apos;image elle-même est écrite.</translation>
    </message>
    <message>
        <source>%1 cannot be found.</source>
        <translation>%1 est introuvable.</translation>
    </message>
    <message>
        <source>%1 is no picture whose metadata can be read.</source>
        <translation>%1 n&apos;est pas une image dont les métadonnées se lisent.</translation>
    </message>
    <message>
        <source>list of decisions</source>
        <translation>liste des décisions</translation>
    </message>
    <message>
        <source>queue</source>
        <translation>file d&apos;attente</translation>
    </message>
    <message>
        <source>recipe</source>
        <translation>recette</translation>
    </message>
    <message>
        <source>session</source>
        <translation>session</translation>
    </message>
    <message>
        <source>Stopped as asked; nothing was changed.</source>
        <translation>Arrêté comme demandé ; rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>The file was left as it is.</source>
        <translation>Le fichier est resté tel quel.</translation>
    </message>
    <message>
        <source>is too large to be what it should be</source>
        <translation>est trop grand pour être ce qu&apos;il devrait</translation>
    </message>
    <message>
        <source>could not be read to its end</source>
        <translation>n&apos;a pu être lu jusqu&apos;au bout</translation>
    </message>
    <message>
        <source>The %1 %2 is too large to be what it should be.</source>
        <translation>%2 (%1) est trop grand pour être ce qu&apos;il devrait.</translation>
    </message>
    <message>
        <source>The %1 %2 cannot be read.</source>
        <translation>%2 (%1) ne peut être lu.</translation>
    </message>
    <message>
        <source>is too large to be matched in the memory that there is</source>
        <translation>est trop grand pour être superposé dans la mémoire disponible</translation>
    </message>
    <message>
        <source>%1 does not look like a rendition of %2; it was not pinned.</source>
        <translation>%1 ne ressemble pas à une version de %2 ; elle n&apos;est pas épinglée.</translation>
    </message>
    <message>
        <source>camera&apos;s page</source>
        <translation>page de l&apos;appareil</translation>
    </message>
    <message>
        <source>%1 is smaller than 16 x 16 pixels; its noise cannot be measured.</source>
        <translation>%1 est plus petit que 16 x 16 pixels ; son bruit ne peut être mesuré.</translation>
    </message>
    <message>
        <source>holds no picture: %1 of its %2 rows are one flat value</source>
        <translation>ne contient pas d&apos;image : %1 de ses %2 rangées ne sont qu&apos;une valeur</translation>
    </message>
    <message>
        <source>is damaged: its tag %1 %2</source>
        <translation>est endommagé : son entrée %1 %2</translation>
    </message>
    <message>
        <source>holds %1 numbers, where at most %2 make sense</source>
        <translation>contient %1 nombres, où au plus %2 ont un sens</translation>
    </message>
    <message>
        <source>holds a number that cannot be</source>
        <translation>contient un nombre impossible</translation>
    </message>
    <message>
        <source>cannot be opened for reading</source>
        <translation>ne peut être ouvert en lecture</translation>
    </message>
    <message>
        <source>has no metadata that can be read</source>
        <translation>n&apos;a pas de métadonnées lisibles</translation>
    </message>
    <message>
        <source>could not be decoded for want of memory</source>
        <translation>n&apos;a pu être décodé, faute de mémoire</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>n&apos;a pas été décodé jusqu&apos;au bout</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>s&apos;interrompt</translation>
    </message>
    <message>
        <source>has a broken header</source>
        <translation>a un en-tête brisé</translation>
    </message>
    <message>
        <source>has another size than its place</source>
        <translation>a une autre taille que sa place</translation>
    </message>
    <message>
        <source>has neither one nor three colours</source>
        <translation>n&apos;a ni une ni trois couleurs</translation>
    </message>
    <message>
        <source>holds no picture</source>
        <translation>ne contient pas d&apos;image</translation>
    </message>
    <message>
        <source>could not be decoded</source>
        <translation>n&apos;a pu être décodé</translation>
    </message>
    <message>
        <source>is not a raw photograph that LibRaw %1 can read; if its camera is newer than that, convert the file to DNG with its maker&apos;s or any other converter</source>
        <translation>n&apos;est pas un raw que LibRaw %1 sait lire ; si l&apos;appareil est plus récent, convertissez le fichier en DNG avec le programme du fabricant ou un autre</translation>
    </message>
    <message>
        <source>is not a raw photograph that can be read</source>
        <translation>n&apos;est pas un raw lisible</translation>
    </message>
    <message>
        <source>could not be decoded (%1)</source>
        <translation>n&apos;a pu être décodé (%1)</translation>
    </message>
    <message>
        <source>is damaged: its picture data break off or contradict themselves</source>
        <translation>est endommagé : ses données d&apos;image s&apos;interrompent ou se contredisent</translation>
    </message>
    <message>
        <source>does not hold one sample at each place of a sensor pattern</source>
        <translation>ne contient pas un échantillon à chaque place d&apos;un motif de capteur</translation>
    </message>
    <message>
        <source>has a sensor pattern other than red, green and blue in two by two or six by six</source>
        <translation>a un motif de capteur autre que rouge, vert et bleu en deux par deux ou six par six</translation>
    </message>
    <message>
        <source>holds %1 colours at each place; three are read</source>
        <translation>contient %1 couleurs à chaque place ; trois sont lues</translation>
    </message>
    <message>
        <source>is smaller than 16 x 16 pixels</source>
        <translation>est plus petit que 16 x 16 pixels</translation>
    </message>
    <message>
        <source>has an active area outside its samples</source>
        <translation>a une zone active hors de ses échantillons</translation>
    </message>
    <message>
        <source>has a black level that is not below its white level</source>
        <translation>a un niveau de noir qui n&apos;est pas sous son niveau de blanc</translation>
    </message>
    <message>
        <source>is too large for a picture of its kind</source>
        <translation>est trop grand pour une image de son espèce</translation>
    </message>
    <message>
        <source>could not be decoded: its JPEG XL picture %1</source>
        <translation>n&apos;a pu être décodé : son image JPEG XL %1</translation>
    </message>
    <message>
        <source>claims a size that no picture has</source>
        <translation>prétend à une taille qu&apos;aucune image n&apos;a</translation>
    </message>
    <message>
        <source>tells its colours in a way that this version does not read (primaries %1, transfer %2)</source>
        <translation>dit ses couleurs d&apos;une façon que cette version ne lit pas (primaires %1, transfert %2)</translation>
    </message>
    <message>
        <source>The folder %1 cannot be read: %2.</source>
        <translation>Le dossier %1 ne peut être lu : %2.</translation>
    </message>
    <message>
        <source>is coded in more scans than any program writes</source>
        <translation>est codé en plus de passes qu&apos;aucun programme n&apos;écrit</translation>
    </message>
    <message>
        <source>is a JPEG of %1 bits a sample; those of 8 bits are read</source>
        <translation>est un JPEG de %1 bits par échantillon ; ceux de 8 bits sont lus</translation>
    </message>
    <message>
        <source>is meant for printing inks (CMYK); save it as RGB</source>
        <translation>est destiné aux encres d&apos;imprimerie (CMJN) ; enregistrez-le en RVB</translation>
    </message>
    <message>
        <source>is not a TIFF that can be read</source>
        <translation>n&apos;est pas un TIFF lisible</translation>
    </message>
    <message>
        <source>stores its colours in a way that this version does not read (YCbCr)</source>
        <translation>garde ses couleurs d&apos;une façon que cette version ne lit pas (YCbCr)</translation>
    </message>
    <message>
        <source>is neither RGB nor grey; save it as RGB</source>
        <translation>n&apos;est ni RVB ni gris ; enregistrez-le en RVB</translation>
    </message>
    <message>
        <source>stores %1 bits a sample; 8, 16 and floats of 16 and 32 are read</source>
        <translation>garde %1 bits par échantillon ; 8, 16 et flottants de 16 et 32 sont lus</translation>
    </message>
    <message>
        <source>has fewer samples a pixel than its colours need</source>
        <translation>a moins d&apos;échantillons par pixel que ses couleurs n&apos;en veulent</translation>
    </message>
    <message>
        <source>is cut off or damaged: a piece of the picture could not be decoded</source>
        <translation>est tronqué ou endommagé : un morceau de l&apos;image n&apos;a pu être décodé</translation>
    </message>
    <message>
        <source>has a colour profile that cannot be understood</source>
        <translation>a un profil de couleur incompréhensible</translation>
    </message>
    <message>
        <source>is empty</source>
        <translation>est vide</translation>
    </message>
    <message>
        <source>is a BigTIFF, which is not read as raw</source>
        <translation>est un BigTIFF, qui n&apos;est pas lu comme raw</translation>
    </message>
    <message>
        <source>is not a raw photograph</source>
        <translation>n&apos;est pas un raw</translation>
    </message>
    <message>
        <source>holds no directory</source>
        <translation>ne contient pas de répertoire</translation>
    </message>
    <message>
        <source>%1 asks for more memory than there is. Nothing was changed.</source>
        <translation>%1 demande plus de mémoire qu&apos;il n&apos;y en a. Rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>%1 claims sizes that cannot be. Nothing was changed.</source>
        <translation>%1 prétend à des tailles impossibles. Rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>%1 could not be worked on: a library gave up (%2). Nothing was changed.</source>
        <translation>%1 n&apos;a pu être traité : une bibliothèque a renoncé (%2). Rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>%1 could not be worked on: a library gave up without a reason. Nothing was changed.</source>
        <translation>%1 n&apos;a pu être traité : une bibliothèque a renoncé sans raison. Rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>hard to measure in full colour, where the network sees noise for itself.</source>
        <translation>difficile à mesurer en couleur, où le réseau voit le bruit de lui-même.</translation>
    </message>
    <message>
        <source>The file holds colours: %1 takes their place, which answers them without demosaicing.</source>
        <translation>Le fichier contient des couleurs : %1 prend la place, qui les donne sans dématriçage.</translation>
    </message>
</context>
<context>
    <name>irenic::Actions</name>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Fichier</translation>
    </message>
    <message>
        <source>&amp;Open frames...</source>
        <translation>&amp;Ouvrir des vues...</translation>
    </message>
    <message>
        <source>Open &amp;folder...</source>
        <translation>Ouvrir un &amp;dossier...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+O</source>
        <translation>Ctrl+Shift+O</translation>
    </message>
    <message>
        <source>&amp;Recent frames</source>
        <translation>Vues &amp;récentes</translation>
    </message>
    <message>
        <source>Open &amp;demo roll</source>
        <translation>Ouvrir la &amp;pellicule de démonstration</translation>
    </message>
    <message>
        <source>Open a &amp;session...</source>
        <translation>Ouvrir une &amp;session...</translation>
    </message>
    <message>
        <source>&amp;Continue where you left off</source>
        <translation>&amp;Continuer où j&apos;en étais</translation>
    </message>
    <message>
        <source>Ctrl+L</source>
        <translation>Ctrl+L</translation>
    </message>
    <message>
        <source>Save the session &amp;as...</source>
        <translation>Enregistrer la session so&amp;us...</translation>
    </message>
    <message>
        <source>Ctrl+S</source>
        <translation>Ctrl+S</translation>
    </message>
    <message>
        <source>&amp;Export...</source>
        <translation>&amp;Exporter...</translation>
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
        <translation>Nettoyage rapide de &amp;toute la pellicule</translation>
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
        <translation>&amp;Quitter</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>É&amp;dition</translation>
    </message>
    <message>
        <source>Undo</source>
        <translation>Annuler</translation>
    </message>
    <message>
        <source>Redo</source>
        <translation>Rétablir</translation>
    </message>
    <message>
        <source>F&amp;rame</source>
        <translation>&amp;Vue</translation>
    </message>
    <message>
        <source>&amp;Next frame</source>
        <translation>Vue &amp;suivante</translation>
    </message>
    <message>
        <source>&amp;Previous frame</source>
        <translation>Vue &amp;précédente</translation>
    </message>
    <message>
        <source>Pin a &amp;guest...</source>
        <translation>Accrocher un in&amp;vité...</translation>
    </message>
    <message>
        <source>Ctrl+G</source>
        <translation>Ctrl+G</translation>
    </message>
    <message>
        <source>Pin the &amp;clean picture (demo roll)</source>
        <translation>Accrocher l&apos;ima&amp;ge propre (démonstration)</translation>
    </message>
    <message>
        <source>Stop measuring frames that &amp;wait</source>
        <translation>Arrêter la &amp;mesure des vues en attente</translation>
    </message>
    <message>
        <source>Learn from frames of the same ca&amp;mera</source>
        <translation>Apprendre des vues du même &amp;appareil</translation>
    </message>
    <message>
        <source>&amp;Forget a camera</source>
        <translation>&amp;Oublier un appareil</translation>
    </message>
    <message>
        <source>&amp;Take this frame off the roll</source>
        <translation>&amp;Retirer cette vue de la pellicule</translation>
    </message>
    <message>
        <source>Ctrl+Delete</source>
        <translation>Ctrl+Delete</translation>
    </message>
    <message>
        <source>Take &amp;down this guest</source>
        <translation>&amp;Décrocher cet invité</translation>
    </message>
    <message>
        <source>Take down guests that are &amp;away</source>
        <translation>Décrocher les invités a&amp;bsents</translation>
    </message>
    <message>
        <source>&amp;Spot</source>
        <translation>&amp;Repère</translation>
    </message>
    <message>
        <source>&amp;Mark a spot in the middle of the view</source>
        <translation>&amp;Marquer un repère au milieu de la vue</translation>
    </message>
    <message>
        <source>&amp;Rename the spot...</source>
        <translation>&amp;Renommer le repère...</translation>
    </message>
    <message>
        <source>Move the spot &amp;here</source>
        <translation>Déplacer le repère &amp;ici</translation>
    </message>
    <message>
        <source>Shift+S</source>
        <translation>Shift+S</translation>
    </message>
    <message>
        <source>Spot &amp;earlier</source>
        <translation>Repère plus &amp;tôt</translation>
    </message>
    <message>
        <source>Alt+Left</source>
        <translation>Alt+Left</translation>
    </message>
    <message>
        <source>Spot &amp;later</source>
        <translation>Repère plus t&amp;ard</translation>
    </message>
    <message>
        <source>Alt+Right</source>
        <translation>Alt+Right</translation>
    </message>
    <message>
        <source>Remo&amp;ve the spot</source>
        <translation>&amp;Supprimer le repère</translation>
    </message>
    <message>
        <source>Shift+Delete</source>
        <translation>Shift+Delete</translation>
    </message>
    <message>
        <source>&amp;Carry the spots to every frame of this size</source>
        <translation>&amp;Porter les repères sur chaque vue de cette taille</translation>
    </message>
    <message>
        <source>No other frame of this size lacks them.</source>
        <translation>Ils ne manquent à aucune autre vue de cette taille.</translation>
    </message>
    <message>
        <source>The spots are on one other frame now.</source>
        <translation>Les repères sont maintenant sur une autre vue.</translation>
    </message>
    <message>
        <source>&amp;Go to</source>
        <translation>A&amp;ller à</translation>
    </message>
    <message>
        <source>Go to spot %1</source>
        <translation>Aller au repère %1</translation>
    </message>
    <message>
        <source>&amp;Trial</source>
        <translation>&amp;Essai</translation>
    </message>
    <message>
        <source>&amp;New trial</source>
        <translation>&amp;Nouvel essai</translation>
    </message>
    <message>
        <source>&amp;Duplicate this trial</source>
        <translation>&amp;Dupliquer cet essai</translation>
    </message>
    <message>
        <source>Ctrl+D</source>
        <translation>Ctrl+D</translation>
    </message>
    <message>
        <source>&amp;Remove this trial</source>
        <translation>&amp;Supprimer cet essai</translation>
    </message>
    <message>
        <source>Next page of the stri&amp;ps</source>
        <translation>&amp;Page suivante des bandeaux</translation>
    </message>
    <message>
        <source>&amp;Keep this trial</source>
        <translation>&amp;Retenir cet essai</translation>
    </message>
    <message>
        <source>Return to the &amp;suggestion</source>
        <translation>Re&amp;venir à la suggestion</translation>
    </message>
    <message>
        <source>Start from your &amp;own taste</source>
        <translation>Partir de m&amp;on propre goût</translation>
    </message>
    <message>
        <source>Shift+Backspace</source>
        <translation>Shift+Backspace</translation>
    </message>
    <message>
        <source>Your own starting point...</source>
        <translation>Mon point de départ...</translation>
    </message>
    <message>
        <source>Re&amp;gions</source>
        <translation>Ré&amp;gions</translation>
    </message>
    <message>
        <source>Re&amp;gions take part in this trial</source>
        <translation>Les ré&amp;gions comptent dans cet essai</translation>
    </message>
    <message>
        <source>Ctrl+R</source>
        <translation>Ctrl+R</translation>
    </message>
    <message>
        <source>Pa&amp;int the region</source>
        <translation>Pein&amp;dre la région</translation>
    </message>
    <message>
        <source>Ctrl+B</source>
        <translation>Ctrl+B</translation>
    </message>
    <message>
        <source>Take away from the region</source>
        <translation>Retirer de la région</translation>
    </message>
    <message>
        <source>Ctrl+Shift+B</source>
        <translation>Ctrl+Shift+B</translation>
    </message>
    <message>
        <source>Met&amp;hod and strength</source>
        <translation>Mét&amp;hode et force</translation>
    </message>
    <message>
        <source>Next &amp;method</source>
        <translation>&amp;Méthode suivante</translation>
    </message>
    <message>
        <source>More luminance strength</source>
        <translation>Plus de force sur la luminance</translation>
    </message>
    <message>
        <source>Ctrl+Right</source>
        <translation>Ctrl+Right</translation>
    </message>
    <message>
        <source>Less luminance strength</source>
        <translation>Moins de force sur la luminance</translation>
    </message>
    <message>
        <source>Ctrl+Left</source>
        <translation>Ctrl+Left</translation>
    </message>
    <message>
        <source>More colour strength</source>
        <translation>Plus de force sur la couleur</translation>
    </message>
    <message>
        <source>Ctrl+Up</source>
        <translation>Ctrl+Up</translation>
    </message>
    <message>
        <source>Less colour strength</source>
        <translation>Moins de force sur la couleur</translation>
    </message>
    <message>
        <source>Ctrl+Down</source>
        <translation>Ctrl+Down</translation>
    </message>
    <message>
        <source>Go to trial %1</source>
        <translation>Aller à l&apos;essai %1</translation>
    </message>
    <message>
        <source>Next column</source>
        <translation>Colonne suivante</translation>
    </message>
    <message>
        <source>Previous column</source>
        <translation>Colonne précédente</translation>
    </message>
    <message>
        <source>Next row</source>
        <translation>Rangée suivante</translation>
    </message>
    <message>
        <source>Shift+PgDown</source>
        <translation>Shift+PgDown</translation>
    </message>
    <message>
        <source>Previous row</source>
        <translation>Rangée précédente</translation>
    </message>
    <message>
        <source>Shift+PgUp</source>
        <translation>Shift+PgUp</translation>
    </message>
    <message>
        <source>Move this trial to the left</source>
        <translation>Déplacer cet essai vers la gauche</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Left</source>
        <translation>Ctrl+Shift+Left</translation>
    </message>
    <message>
        <source>Move this trial to the right</source>
        <translation>Déplacer cet essai vers la droite</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Right</source>
        <translation>Ctrl+Shift+Right</translation>
    </message>
    <message>
        <source>Re&amp;cipes</source>
        <translation>Re&amp;cettes</translation>
    </message>
    <message>
        <source>Save as a r&amp;ecipe...</source>
        <translation>Enregistrer comme r&amp;ecette...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+R</source>
        <translation>Ctrl+Shift+R</translation>
    </message>
    <message>
        <source>&amp;Import a recipe...</source>
        <translation>&amp;Importer une recette...</translation>
    </message>
    <message>
        <source>Nothing was learned yet</source>
        <translation>Rien n&apos;a encore été appris</translation>
    </message>
    <message>
        <source>%1   (one frame)</source>
        <translation>%1   (une vue)</translation>
    </message>
    <message>
        <source>Forgot %1. Frames that are open keep their noise as it was measured.</source>
        <translation>%1 oublié. Les vues ouvertes gardent leur bruit tel qu&apos;il fut mesuré.</translation>
    </message>
    <message>
        <source>&amp;Compare</source>
        <translation>&amp;Comparer</translation>
    </message>
    <message>
        <source>&amp;Test strip</source>
        <translation>&amp;Bande d&apos;essai</translation>
    </message>
    <message>
        <source>&amp;Ring-around of strengths</source>
        <translation>Essais &amp;croisés des forces</translation>
    </message>
    <message>
        <source>Shift+T</source>
        <translation>Shift+T</translation>
    </message>
    <message>
        <source>Ring-around of &amp;methods</source>
        <translation>Essais croisés des &amp;méthodes</translation>
    </message>
    <message>
        <source>Ctrl+T</source>
        <translation>Ctrl+T</translation>
    </message>
    <message>
        <source>&amp;Loupe</source>
        <translation>&amp;Loupe</translation>
    </message>
    <message>
        <source>&amp;Blind round</source>
        <translation>Comparaison à l&apos;a&amp;veugle</translation>
    </message>
    <message>
        <source>Bl&amp;ink: the columns in turn in this place</source>
        <translation>Cl&amp;ignotement : les colonnes tour à tour à cet endroit</translation>
    </message>
    <message>
        <source>Another pace of the blinking</source>
        <translation>Un autre rythme de clignotement</translation>
    </message>
    <message>
        <source>Shift+Z</source>
        <translation>Shift+Z</translation>
    </message>
    <message>
        <source>&amp;Difference of the others from this column</source>
        <translation>&amp;Différence des autres avec cette colonne</translation>
    </message>
    <message>
        <source>Shift+D</source>
        <translation>Shift+D</translation>
    </message>
    <message>
        <source>Differences stronger</source>
        <translation>Différences plus fortes</translation>
    </message>
    <message>
        <source>Ctrl+Shift+D</source>
        <translation>Ctrl+Shift+D</translation>
    </message>
    <message>
        <source>&amp;Figures of the pixel under the pointer</source>
        <translation>Valeurs du pixel sous le &amp;pointeur</translation>
    </message>
    <message>
        <source>Measure the &amp;whole frame</source>
        <translation>Mesurer &amp;toute la vue</translation>
    </message>
    <message>
        <source>Ctrl+J</source>
        <translation>Ctrl+J</translation>
    </message>
    <message>
        <source>&amp;Look</source>
        <translation>Re&amp;gard</translation>
    </message>
    <message>
        <source>&amp;Magnification</source>
        <translation>&amp;Grandissement</translation>
    </message>
    <message>
        <source>Whole frame</source>
        <translation>Vue entière</translation>
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
        <translation>Plus près</translation>
    </message>
    <message>
        <source>Further off</source>
        <translation>Plus loin</translation>
    </message>
    <message>
        <source>At &amp;output size...</source>
        <translation>À la taille de &amp;sortie...</translation>
    </message>
    <message>
        <source>Ctrl+Shift+0</source>
        <translation>Ctrl+Shift+0</translation>
    </message>
    <message>
        <source>One row more</source>
        <translation>Une rangée de plus</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Down</source>
        <translation>Ctrl+Shift+Down</translation>
    </message>
    <message>
        <source>One row fewer</source>
        <translation>Une rangée de moins</translation>
    </message>
    <message>
        <source>Ctrl+Shift+Up</source>
        <translation>Ctrl+Shift+Up</translation>
    </message>
    <message>
        <source>Unfold the strips</source>
        <translation>Déplier les bandeaux</translation>
    </message>
    <message>
        <source>Untreated column</source>
        <translation>Colonne non traitée</translation>
    </message>
    <message>
        <source>Look &amp;elsewhere</source>
        <translation>Regarder &amp;ailleurs</translation>
    </message>
    <message>
        <source>Look further left</source>
        <translation>Regarder plus à gauche</translation>
    </message>
    <message>
        <source>Shift+Left</source>
        <translation>Shift+Left</translation>
    </message>
    <message>
        <source>Look further right</source>
        <translation>Regarder plus à droite</translation>
    </message>
    <message>
        <source>Shift+Right</source>
        <translation>Shift+Right</translation>
    </message>
    <message>
        <source>Look further up</source>
        <translation>Regarder plus haut</translation>
    </message>
    <message>
        <source>Shift+Up</source>
        <translation>Shift+Up</translation>
    </message>
    <message>
        <source>Look further down</source>
        <translation>Regarder plus bas</translation>
    </message>
    <message>
        <source>Shift+Down</source>
        <translation>Shift+Down</translation>
    </message>
    <message>
        <source>Push by half a stop more</source>
        <translation>Pousser d&apos;un demi-diaphragme de plus</translation>
    </message>
    <message>
        <source>Push by half a stop less</source>
        <translation>Pousser d&apos;un demi-diaphragme de moins</translation>
    </message>
    <message>
        <source>Shift+P</source>
        <translation>Shift+P</translation>
    </message>
    <message>
        <source>&amp;Side that is shown</source>
        <translation>A&amp;spect montré</translation>
    </message>
    <message>
        <source>Show the &amp;untreated pixels everywhere</source>
        <translation>Montrer partout les pixels &amp;non traités</translation>
    </message>
    <message>
        <source>Shift+Space</source>
        <translation>Shift+Space</translation>
    </message>
    <message>
        <source>&amp;Removed</source>
        <translation>&amp;Enlevé</translation>
    </message>
    <message>
        <source>Shift+R</source>
        <translation>Shift+R</translation>
    </message>
    <message>
        <source>&amp;Luminance only</source>
        <translation>&amp;Luminance seule</translation>
    </message>
    <message>
        <source>Shift+L</source>
        <translation>Shift+L</translation>
    </message>
    <message>
        <source>C&amp;olour only</source>
        <translation>C&amp;ouleur seule</translation>
    </message>
    <message>
        <source>Shift+O</source>
        <translation>Shift+O</translation>
    </message>
    <message>
        <source>What sharpening &amp;spares</source>
        <translation>Ce que l&apos;accentuation é&amp;pargne</translation>
    </message>
    <message>
        <source>Shift+V</source>
        <translation>Shift+V</translation>
    </message>
    <message>
        <source>&amp;Clipping</source>
        <translation>É&amp;crêtage</translation>
    </message>
    <message>
        <source>Shift+X</source>
        <translation>Shift+X</translation>
    </message>
    <message>
        <source>Dou&amp;bt: detail that may be made up</source>
        <translation>Dou&amp;te : détail peut-être inventé</translation>
    </message>
    <message>
        <source>Shift+Q</source>
        <translation>Shift+Q</translation>
    </message>
    <message>
        <source>&amp;Wall</source>
        <translation>&amp;Mur</translation>
    </message>
    <message>
        <source>&amp;Dim wall</source>
        <translation>Mur &amp;sombre</translation>
    </message>
    <message>
        <source>&amp;Mid-grey wall</source>
        <translation>Mur gris &amp;moyen</translation>
    </message>
    <message>
        <source>&amp;Pale wall</source>
        <translation>Mur &amp;pâle</translation>
    </message>
    <message>
        <source>S&amp;creen</source>
        <translation>É&amp;cran</translation>
    </message>
    <message>
        <source>Screen&apos;s profile as the s&amp;ystem says</source>
        <translation>Profil de l&apos;écran donné par le s&amp;ystème</translation>
    </message>
    <message>
        <source>Show as sRGB</source>
        <translation>Montrer en sRGB</translation>
    </message>
    <message>
        <source>Screen&apos;s profile from a &amp;file...</source>
        <translation>Profil de l&apos;écran d&apos;un &amp;fichier...</translation>
    </message>
    <message>
        <source>&amp;Window</source>
        <translation>Fe&amp;nêtre</translation>
    </message>
    <message>
        <source>&amp;Contact sheet</source>
        <translation>Planche &amp;contact</translation>
    </message>
    <message>
        <source>Shift+F9</source>
        <translation>Shift+F9</translation>
    </message>
    <message>
        <source>Show the &amp;roll</source>
        <translation>Montrer la &amp;pellicule</translation>
    </message>
    <message>
        <source>Shift+F4</source>
        <translation>Shift+F4</translation>
    </message>
    <message>
        <source>Reset the &amp;arrangement</source>
        <translation>Rétablir l&apos;&amp;arrangement</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Aide</translation>
    </message>
    <message>
        <source>&amp;Commands and keys...</source>
        <translation>&amp;Commandes et touches...</translation>
    </message>
    <message>
        <source>Ctrl+K</source>
        <translation>Ctrl+K</translation>
    </message>
    <message>
        <source>&amp;Pages about Irenic...</source>
        <translation>&amp;Pages sur Irenic...</translation>
    </message>
    <message>
        <source>Shift+F1</source>
        <translation>Shift+F1</translation>
    </message>
    <message>
        <source>&amp;What to try</source>
        <translation>&amp;Que faut-il essayer</translation>
    </message>
    <message>
        <source>&amp;Language</source>
        <translation>&amp;Langue</translation>
    </message>
    <message>
        <source>%1, from the next start on.</source>
        <translation>%1, à partir du prochain démarrage.</translation>
    </message>
    <message>
        <source>As the desktop</source>
        <translation>Comme le bureau</translation>
    </message>
    <message>
        <source>&amp;About Irenic</source>
        <translation>À propos d&apos;&amp;Irenic</translation>
    </message>
    <message>
        <source>Held keys and the pointer</source>
        <translation>Touches maintenues et pointeur</translation>
    </message>
    <message>
        <source>Show the untreated pixels while held</source>
        <translation>Montrer les pixels non traités tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold Space</source>
        <translation>maintenir Espace</translation>
    </message>
    <message>
        <source>Show what was removed while held</source>
        <translation>Montrer ce qui fut enlevé tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold R</source>
        <translation>maintenir R</translation>
    </message>
    <message>
        <source>Show luminance only while held</source>
        <translation>Montrer la luminance seule tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold L</source>
        <translation>maintenir L</translation>
    </message>
    <message>
        <source>Show colour only while held</source>
        <translation>Montrer la couleur seule tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold O</source>
        <translation>maintenir O</translation>
    </message>
    <message>
        <source>Show what sharpening spares while held</source>
        <translation>Montrer ce que l&apos;accentuation épargne tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold V</source>
        <translation>maintenir V</translation>
    </message>
    <message>
        <source>Show clipping while held</source>
        <translation>Montrer l&apos;écrêtage tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold X</source>
        <translation>maintenir X</translation>
    </message>
    <message>
        <source>Show doubt while held</source>
        <translation>Montrer le doute tant qu&apos;on maintient</translation>
    </message>
    <message>
        <source>hold Q</source>
        <translation>maintenir Q</translation>
    </message>
    <message>
        <source>Mark a spot there</source>
        <translation>Y marquer un repère</translation>
    </message>
    <message>
        <source>Shift+click</source>
        <translation>Maj+clic</translation>
    </message>
    <message>
        <source>In a strip: move, use the picked setting, hang it as a trial</source>
        <translation>Dans une bande : se déplacer, prendre le réglage choisi, l&apos;accrocher comme essai</translation>
    </message>
    <message>
        <source>arrows, Enter, N</source>
        <translation>flèches, Entrée, N</translation>
    </message>
    <message>
        <source>In the loupe: wipe, swap, another way of comparing</source>
        <translation>Dans la loupe : balayer, échanger, comparer autrement</translation>
    </message>
    <message>
        <source>arrows, Q, V</source>
        <translation>flèches, Q, V</translation>
    </message>
    <message>
        <source>In a blind round: left is better, no difference, right is better</source>
        <translation>À l&apos;aveugle : la gauche est meilleure, aucune différence, la droite est meilleure</translation>
    </message>
    <message>
        <source>Left, Down, Right</source>
        <translation>Gauche, Bas, Droite</translation>
    </message>
    <message>
        <source>On the contact sheet: up to here, one more or less, all</source>
        <translation>Sur la planche contact : jusqu&apos;ici, une de plus ou de moins, toutes</translation>
    </message>
    <message>
        <source>Shift, Ctrl, Ctrl+A</source>
        <translation>Maj, Ctrl, Ctrl+A</translation>
    </message>
    <message>
        <source>Back to the wall</source>
        <translation>Retour au mur</translation>
    </message>
    <message>
        <source>Esc</source>
        <translation>Esc</translation>
    </message>
    <message>
        <source>Closer and further off, about the pointer</source>
        <translation>Plus près et plus loin, autour du pointeur</translation>
    </message>
    <message>
        <source>wheel</source>
        <translation>molette</translation>
    </message>
    <message>
        <source>Move all pictures together</source>
        <translation>Déplacer toutes les images ensemble</translation>
    </message>
    <message>
        <source>drag</source>
        <translation>glisser</translation>
    </message>
    <message>
        <source>To 200 % there, or back to the whole frame</source>
        <translation>À 200 % à cet endroit, ou retour à la vue entière</translation>
    </message>
    <message>
        <source>double-click</source>
        <translation>double-clic</translation>
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
        <translation>&amp;Nettoyage rapide de cette vue</translation>
    </message>
    <message>
        <source>&amp;Picture of the comparison...</source>
        <translation>&amp;Image de la comparaison...</translation>
    </message>
    <message>
        <source>Find the f&amp;ile...</source>
        <translation>&amp;Trouver le fichier...</translation>
    </message>
    <message>
        <source>Go &amp;to, and order</source>
        <translation>A&amp;ller à, et ordre</translation>
    </message>
    <message>
        <source>To where most n&amp;oise is left</source>
        <translation>Là où il r&amp;este le plus de bruit</translation>
    </message>
    <message>
        <source>Spots &amp;follow the series</source>
        <translation>Les repères sui&amp;vent la série</translation>
    </message>
    <message>
        <source>Soft &amp;proof of the output</source>
        <translation>Épre&amp;uve-écran de la sortie</translation>
    </message>
    <message>
        <source>Shift+H</source>
        <translation>Shift+H</translation>
    </message>
    <message>
        <source>Outside the output&apos;s colours (&amp;gamut)</source>
        <translation>Hors des couleurs de la sortie (&amp;gamut)</translation>
    </message>
    <message>
        <source>Shift+G</source>
        <translation>Shift+G</translation>
    </message>
    <message>
        <source>Outp&amp;ut for the proof</source>
        <translation>Sor&amp;tie de l&apos;épreuve</translation>
    </message>
    <message>
        <source>&amp;sRGB</source>
        <translation>&amp;sRGB</translation>
    </message>
    <message>
        <source>Output&apos;s profile from a &amp;file...</source>
        <translation>Profil de la sortie d&apos;un &amp;fichier...</translation>
    </message>
    <message>
        <source>With the &amp;white of its paper</source>
        <translation>Avec le &amp;blanc du papier</translation>
    </message>
    <message>
        <source>Show the soft proof while held; what lies outside of it where that hangs</source>
        <translation>Montrer l&apos;épreuve-écran tant que la touche est tenue ; si elle est affichée, ce qui est hors de ses couleurs</translation>
    </message>
    <message>
        <source>hold ,</source>
        <translation>tenir ,</translation>
    </message>
    <message numerus="yes">
        <source>The spots are on %n other frames now.</source>
        <translation>
            <numerusform>Les repères sont maintenant sur %n autre vue.</numerusform>
            <numerusform>Les repères sont maintenant sur %n autres vues.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%1   (%n frames)</source>
        <translation>
            <numerusform>%1   (%n vue)</numerusform>
            <numerusform>%1   (%n vues)</numerusform>
        </translation>
    </message>
    <message>
        <source>Frames before and &amp;after, at this place</source>
        <translation>Vues &amp;avant et après, à cet endroit</translation>
    </message>
    <message>
        <source>Shift+W</source>
        <translation>Shift+W</translation>
    </message>
    <message>
        <source>No other frame of this size is on the roll.</source>
        <translation>Aucune autre vue de cette taille n&apos;est sur la pellicule.</translation>
    </message>
</context>
<context>
    <name>irenic::AtomicFile</name>
    <message>
        <source>the disk is full</source>
        <translation>le disque est plein</translation>
    </message>
    <message>
        <source>the folder may not be written to</source>
        <translation>l&apos;écriture dans le dossier n&apos;est pas permise</translation>
    </message>
    <message>
        <source>the drive is read-only</source>
        <translation>le lecteur est en lecture seule</translation>
    </message>
    <message>
        <source>the name is too long</source>
        <translation>le nom est trop long</translation>
    </message>
    <message>
        <source>the folder does not exist</source>
        <translation>le dossier n&apos;existe pas</translation>
    </message>
    <message>
        <source>a file of that name is already there</source>
        <translation>un fichier de ce nom existe déjà</translation>
    </message>
    <message>
        <source>the file would be larger than this drive or this account allows</source>
        <translation>le fichier dépasserait ce que ce lecteur ou ce compte permet</translation>
    </message>
    <message>
        <source>the drive does not answer any more</source>
        <translation>le lecteur ne répond plus</translation>
    </message>
    <message>
        <source>%1 was not written: %2. Nothing was left behind and the original is untouched.</source>
        <translation>%1 n&apos;est pas écrit : %2. Rien n&apos;est resté et l&apos;original est intact.</translation>
    </message>
</context>
<context>
    <name>irenic::BlindView</name>
    <message>
        <source>Left picture</source>
        <translation>Image de gauche</translation>
    </message>
    <message>
        <source>Right picture</source>
        <translation>Image de droite</translation>
    </message>
    <message>
        <source>A blind round</source>
        <translation>Une comparaison à l&apos;aveugle</translation>
    </message>
    <message>
        <source>Two pictures at a time, shuffled, without names or readings. Pick the better one, or none. At the end you learn which were which, and how sure the ranking is.</source>
        <translation>Deux images à la fois, mélangées, sans noms ni mesures. Choisissez la meilleure, ou aucune. À la fin vous apprenez lesquelles étaient lesquelles, et à quel point le classement est sûr.</translation>
    </message>
    <message>
        <source>Places</source>
        <translation>Endroits</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Commencer</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Retour</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Retour au mur (Échap)</translation>
    </message>
    <message>
        <source>Take the last back</source>
        <translation>Reprendre le dernier</translation>
    </message>
    <message>
        <source>Backspace</source>
        <translation>Retour arrière</translation>
    </message>
    <message>
        <source>Reveal now</source>
        <translation>Révéler maintenant</translation>
    </message>
    <message>
        <source>End the round here</source>
        <translation>Finir la comparaison ici</translation>
    </message>
    <message>
        <source>Left is better</source>
        <translation>La gauche est meilleure</translation>
    </message>
    <message>
        <source>Left arrow</source>
        <translation>Flèche gauche</translation>
    </message>
    <message>
        <source>No difference</source>
        <translation>Aucune différence</translation>
    </message>
    <message>
        <source>Down arrow</source>
        <translation>Flèche bas</translation>
    </message>
    <message>
        <source>Right is better</source>
        <translation>La droite est meilleure</translation>
    </message>
    <message>
        <source>Right arrow</source>
        <translation>Flèche droite</translation>
    </message>
    <message>
        <source>picture</source>
        <translation>image</translation>
    </message>
    <message>
        <source>picked</source>
        <translation>choisie</translation>
    </message>
    <message>
        <source>passed over</source>
        <translation>écartée</translation>
    </message>
    <message>
        <source>no difference</source>
        <translation>aucune différence</translation>
    </message>
    <message>
        <source>Back to the wall</source>
        <translation>Retour au mur</translation>
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
        <translation>Invité %1  %2</translation>
    </message>
    <message>
        <source>the place in view</source>
        <translation>l&apos;endroit en vue</translation>
    </message>
    <message>
        <source>the spot</source>
        <translation>le repère</translation>
    </message>
    <message>
        <source>A round needs at least two pictures</source>
        <translation>Une comparaison demande au moins deux images</translation>
    </message>
    <message>
        <source>pair %1 of %2</source>
        <translation>paire %1 sur %2</translation>
    </message>
    <message>
        <source>Nothing was picked.</source>
        <translation>Rien ne fut choisi.</translation>
    </message>
    <message>
        <source>The first two are level: you could not tell them apart.</source>
        <translation>Les deux premières sont à égalité : vous ne pouviez pas les distinguer.</translation>
    </message>
    <message>
        <source>You preferred %1. That it is better than the next one is %2 % sure.</source>
        <translation>Vous avez préféré %1. Qu&apos;elle soit meilleure que la suivante est sûr à %2 %.</translation>
    </message>
    <message>
        <source> About one more pair would settle it.</source>
        <translation> Environ une paire de plus trancherait.</translation>
    </message>
    <message>
        <source>Keep %1</source>
        <translation>Retenir %1</translation>
    </message>
    <message>
        <source>A guest cannot be kept</source>
        <translation>Un invité ne peut pas être retenu</translation>
    </message>
    <message>
        <source>One more pair</source>
        <translation>Une paire de plus</translation>
    </message>
    <message numerus="yes">
        <source>all %n spots</source>
        <translation>
            <numerusform>le %n repère</numerusform>
            <numerusform>les %n repères</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source> About %n more pairs would settle it.</source>
        <translation>
            <numerusform> Environ %n paire de plus trancherait.</numerusform>
            <numerusform> Environ %n paires de plus trancheraient.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>
Round %1, %n pairs.</source>
        <translation>
            <numerusform>
Comparaison %1, %n paire.</numerusform>
            <numerusform>
Comparaison %1, %n paires.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n more pairs</source>
        <translation>
            <numerusform>%n paire de plus</numerusform>
            <numerusform>%n paires de plus</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::CameraBook</name>
    <message>
        <source>%1 cannot be removed: %2.</source>
        <translation>%1 ne peut être enlevé : %2.</translation>
    </message>
    <message>
        <source>%1 is not there any more.</source>
        <translation>%1 n&apos;est plus là.</translation>
    </message>
</context>
<context>
    <name>irenic::CaptionStrip</name>
    <message>
        <source>Untreated</source>
        <translation>Non traitée</translation>
    </message>
    <message>
        <source>Method of trial %1</source>
        <translation>Méthode de l&apos;essai %1</translation>
    </message>
    <message>
        <source>Keep</source>
        <translation>Retenir</translation>
    </message>
    <message>
        <source>Keep trial %1</source>
        <translation>Retenir l&apos;essai %1</translation>
    </message>
    <message>
        <source>Export the frame with this trial (K)</source>
        <translation>Exporter la vue avec cet essai (K)</translation>
    </message>
    <message>
        <source>left the suggestion</source>
        <translation>hors de la suggestion</translation>
    </message>
    <message>
        <source>Go back</source>
        <translation>Revenir</translation>
    </message>
    <message>
        <source>%1 + %2</source>
        <translation>%1 + %2</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>détail</translation>
    </message>
    <message>
        <source>tones</source>
        <translation>tons</translation>
    </message>
    <message>
        <source>sharpen</source>
        <translation>accentuer</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>bruit</translation>
    </message>
    <message>
        <source>How much noise to remove</source>
        <translation>Combien de bruit enlever</translation>
    </message>
    <message>
        <source>Detail given back, grain kept, and how much of it all is laid over the untreated picture</source>
        <translation>Détail rendu, grain gardé, et la part de tout cela posée sur l&apos;image non traitée</translation>
    </message>
    <message>
        <source>Strengths by brightness, and large blotches of colour</source>
        <translation>Forces selon la luminosité, et grandes taches de couleur</translation>
    </message>
    <message>
        <source>Capture sharpening, after the noise is gone</source>
        <translation>Accentuation de prise de vue, une fois le bruit parti</translation>
    </message>
    <message>
        <source>%1 (F3 goes through the pages of all strips)</source>
        <translation>%1 (F3 tourne les pages de tous les bandeaux)</translation>
    </message>
    <message>
        <source>Controls of trial %1: %2</source>
        <translation>Réglages de l&apos;essai %1 : %2</translation>
    </message>
    <message>
        <source>%1 strength of trial %2, multiples of the measured noise</source>
        <translation>%1, force de l&apos;essai %2, multiples du bruit mesuré</translation>
    </message>
    <message>
        <source>%1 of trial %2</source>
        <translation>%1 de l&apos;essai %2</translation>
    </message>
    <message>
        <source>%1. The mark is the suggestion; double-click returns to it.</source>
        <translation>%1. La marque est la suggestion ; un double-clic y revient.</translation>
    </message>
    <message>
        <source>%1. Double-click on the handle returns to the mark.</source>
        <translation>%1. Un double-clic sur la poignée revient à la marque.</translation>
    </message>
    <message>
        <source>
While it is held, what sharpening passes over lies under a pale veil (hold V).</source>
        <translation>
Tant qu&apos;elle est tenue, un voile pâle couvre ce que l&apos;accentuation épargne (maintenir V).</translation>
    </message>
    <message>
        <source>1 bad pixel</source>
        <translation>1 mauvais pixel</translation>
    </message>
    <message>
        <source>finished picture; a raw would do better</source>
        <translation>image finie ; un raw ferait mieux</translation>
    </message>
    <message>
        <source>linear, full colour</source>
        <translation>linéaire, en couleur</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1, full colour</source>
        <translation>%1, en couleur</translation>
    </message>
    <message>
        <source>grain %1 %</source>
        <translation>grain %L1 %</translation>
    </message>
    <message>
        <source>colour noise %1 %</source>
        <translation>bruit de couleur %L1 %</translation>
    </message>
    <message>
        <source>%1 of the mid-tone
%2
%3

suggestion: %4, %5 x</source>
        <translation>%1 du ton moyen
%2
%3

suggestion : %4, %L5 x</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Invité %1</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>Luminance by %1, colours by %2</source>
        <translation>Luminance par %1, couleurs par %2</translation>
    </message>
    <message>
        <source>Keeper</source>
        <translation>Retenu</translation>
    </message>
    <message>
        <source>your taste: %1 / %2 x</source>
        <translation>votre goût : %L1 / %L2 x</translation>
    </message>
    <message>
        <source>your own starting point</source>
        <translation>votre point de départ</translation>
    </message>
    <message>
        <source>Use it</source>
        <translation>Le prendre</translation>
    </message>
    <message>
        <source>Start this trial from your own taste (Shift+Backspace)</source>
        <translation>Partir pour cet essai de votre propre goût (Maj+Retour arrière)</translation>
    </message>
    <message>
        <source>Set this trial&apos;s strengths to the suggestion (Backspace)</source>
        <translation>Mettre les forces de cet essai à la suggestion (Retour arrière)</translation>
    </message>
    <message>
        <source>Start trial %1 from your own taste</source>
        <translation>Partir pour l&apos;essai %1 de votre propre goût</translation>
    </message>
    <message>
        <source>Return trial %1 to the suggestion</source>
        <translation>Ramener l&apos;essai %1 à la suggestion</translation>
    </message>
    <message numerus="yes">
        <source>%n bad pixels</source>
        <translation>
            <numerusform>%n mauvais pixel</numerusform>
            <numerusform>%n mauvais pixels</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Card</name>
    <message>
        <source>%1: %2</source>
        <translation>%1 : %2</translation>
    </message>
    <message>
        <source>pin</source>
        <translation>épingler</translation>
    </message>
    <message>
        <source>Stays when another card is opened</source>
        <translation>Reste quand une autre carte s&apos;ouvre</translation>
    </message>
    <message>
        <source>fold</source>
        <translation>plier</translation>
    </message>
    <message>
        <source>Only the title, until it is unfolded</source>
        <translation>Le titre seul, jusqu&apos;à ce qu&apos;elle soit dépliée</translation>
    </message>
    <message>
        <source>float</source>
        <translation>détacher</translation>
    </message>
    <message>
        <source>A window of its own, on this screen or another; back by the same button</source>
        <translation>Une fenêtre à elle, sur cet écran ou un autre ; le même bouton la ramène</translation>
    </message>
    <message>
        <source>close</source>
        <translation>fermer</translation>
    </message>
    <message>
        <source>Puts the card away; its key brings it back</source>
        <translation>Range la carte ; sa touche la ramène</translation>
    </message>
</context>
<context>
    <name>irenic::CommandSearch</name>
    <message>
        <source>Commands and keys</source>
        <translation>Commandes et touches</translation>
    </message>
    <message>
        <source>Words of a command</source>
        <translation>Mots d&apos;une commande</translation>
    </message>
    <message>
        <source>type words of a command; Enter carries it out</source>
        <translation>tapez des mots d&apos;une commande ; Entrée l&apos;exécute</translation>
    </message>
    <message>
        <source>Commands</source>
        <translation>Commandes</translation>
    </message>
</context>
<context>
    <name>irenic::ContactSheet</name>
    <message>
        <source>Contact sheet</source>
        <translation>Planche contact</translation>
    </message>
    <message>
        <source>as opened</source>
        <translation>comme ouvert</translation>
    </message>
    <message>
        <source>In the order of the roll</source>
        <translation>Dans l&apos;ordre de la pellicule</translation>
    </message>
    <message>
        <source>name</source>
        <translation>nom</translation>
    </message>
    <message>
        <source>By name</source>
        <translation>Par nom</translation>
    </message>
    <message>
        <source>time</source>
        <translation>temps</translation>
    </message>
    <message>
        <source>By the time of the exposure</source>
        <translation>Par l&apos;heure de la prise de vue</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>By sensitivity</source>
        <translation>Par sensibilité</translation>
    </message>
    <message>
        <source>noise</source>
        <translation>bruit</translation>
    </message>
    <message>
        <source>The noisiest first</source>
        <translation>Les plus bruitées d&apos;abord</translation>
    </message>
    <message>
        <source>series as one</source>
        <translation>séries en une</translation>
    </message>
    <message>
        <source>One paper for every series; what is done to it is done to all of its frames</source>
        <translation>Une feuille par série ; ce qu&apos;on lui fait, on le fait à toutes ses vues</translation>
    </message>
    <message>
        <source>Words of name, camera, lens or ISO</source>
        <translation>Mots du nom, de l&apos;appareil, de l&apos;objectif ou ISO</translation>
    </message>
    <message>
        <source>name, camera, ISO</source>
        <translation>nom, appareil, ISO</translation>
    </message>
    <message>
        <source>All frames</source>
        <translation>Toutes les vues</translation>
    </message>
    <message>
        <source>Frames without a keeper or an export</source>
        <translation>Vues sans essai retenu ni export</translation>
    </message>
    <message>
        <source>Frames that were exported</source>
        <translation>Vues exportées</translation>
    </message>
    <message>
        <source>Frames whose file is odd in something</source>
        <translation>Vues dont le fichier a quelque chose d&apos;étrange</translation>
    </message>
    <message>
        <source>Frames that could not be opened</source>
        <translation>Vues qui n&apos;ont pas pu s&apos;ouvrir</translation>
    </message>
    <message>
        <source>none</source>
        <translation>aucune</translation>
    </message>
    <message>
        <source>Choose no frame</source>
        <translation>Ne choisir aucune vue</translation>
    </message>
    <message>
        <source>Choose the whole series</source>
        <translation>Choisir toute la série</translation>
    </message>
    <message>
        <source>Frames of the same camera and lens, taken within %1 seconds of one another</source>
        <translation>Vues du même appareil et du même objectif, à %1 secondes au plus l&apos;une de l&apos;autre</translation>
    </message>
    <message>
        <source>Treat them</source>
        <translation>Les traiter</translation>
    </message>
    <message>
        <source>One frame has its keeper now.</source>
        <translation>Une vue a maintenant son essai retenu.</translation>
    </message>
    <message>
        <source>Each by its own suggestion</source>
        <translation>Chacune selon sa suggestion</translation>
    </message>
    <message>
        <source>The suggestion becomes the keeper of every chosen frame</source>
        <translation>La suggestion devient l&apos;essai retenu de chaque vue choisie</translation>
    </message>
    <message>
        <source>treating frames by their suggestions</source>
        <translation>traitement des vues selon leurs suggestions</translation>
    </message>
    <message>
        <source>That trial becomes the keeper of every chosen frame</source>
        <translation>Cet essai devient l&apos;essai retenu de chaque vue choisie</translation>
    </message>
    <message>
        <source>treating frames alike</source>
        <translation>traitement égal des vues</translation>
    </message>
    <message>
        <source>By a recipe</source>
        <translation>Selon une recette</translation>
    </message>
    <message>
        <source>No other chosen frame takes it.</source>
        <translation>Aucune autre vue choisie ne la prend.</translation>
    </message>
    <message>
        <source>One other frame has it now.</source>
        <translation>Une autre vue l&apos;a maintenant.</translation>
    </message>
    <message>
        <source>Spots</source>
        <translation>Repères</translation>
    </message>
    <message>
        <source>To chosen frames of the same size, in place of theirs</source>
        <translation>Vers les vues choisies de même taille, à la place des leurs</translation>
    </message>
    <message>
        <source>Rendering</source>
        <translation>Rendu</translation>
    </message>
    <message>
        <source>White balance, exposure and the rest of the rendering</source>
        <translation>Balance des blancs, exposition et le reste du rendu</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objectif</translation>
    </message>
    <message>
        <source>Lens corrections, to chosen frames of the same size</source>
        <translation>Corrections de l&apos;objectif, vers les vues choisies de même taille</translation>
    </message>
    <message>
        <source>Hand on</source>
        <translation>Transmettre</translation>
    </message>
    <message>
        <source>Export...</source>
        <translation>Exporter...</translation>
    </message>
    <message>
        <source>Each with its keeper, or its suggestion where it has none (Ctrl+E)</source>
        <translation>Chacune avec son essai retenu, ou sa suggestion là où il n&apos;y en a pas (Ctrl+E)</translation>
    </message>
    <message>
        <source>Quick clean</source>
        <translation>Nettoyage rapide</translation>
    </message>
    <message>
        <source>Each with its suggestion, as the last export was</source>
        <translation>Chacune avec sa suggestion, comme le dernier export</translation>
    </message>
    <message>
        <source>Take off the roll</source>
        <translation>Retirer de la pellicule</translation>
    </message>
    <message>
        <source>The files stay where they are; undo puts them back</source>
        <translation>Les fichiers restent où ils sont ; Annuler les remet</translation>
    </message>
    <message>
        <source>One frame is off the roll; its file stays. Undo puts it back.</source>
        <translation>Une vue est retirée de la pellicule ; son fichier reste. Annuler la remet.</translation>
    </message>
    <message>
        <source>Enter: hang on the wall
Shift: up to here   Ctrl: one more
Ctrl+A: all   Esc: back to the wall</source>
        <translation>Entrée : accrocher au mur
Maj : jusqu&apos;ici   Ctrl : une de plus
Ctrl+A : toutes   Échap : retour au mur</translation>
    </message>
    <message>
        <source>one frame</source>
        <translation>une vue</translation>
    </message>
    <message>
        <source>%1 of %2 frames</source>
        <translation>%1 vues sur %2</translation>
    </message>
    <message>
        <source>all</source>
        <translation>toutes</translation>
    </message>
    <message>
        <source>undecided</source>
        <translation>indécises</translation>
    </message>
    <message>
        <source>exported</source>
        <translation>exportées</translation>
    </message>
    <message>
        <source>warnings</source>
        <translation>remarques</translation>
    </message>
    <message>
        <source>failed</source>
        <translation>échouées</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1 : %2</translation>
    </message>
    <message>
        <source>No frame chosen</source>
        <translation>Aucune vue choisie</translation>
    </message>
    <message>
        <source>One frame chosen</source>
        <translation>Une vue choisie</translation>
    </message>
    <message>
        <source>ISO %1</source>
        <translation>ISO %1</translation>
    </message>
    <message>
        <source>grain %1 %</source>
        <translation>grain %L1 %</translation>
    </message>
    <message>
        <source>colour noise %1 %</source>
        <translation>bruit de couleur %L1 %</translation>
    </message>
    <message>
        <source>not measured yet</source>
        <translation>pas encore mesurée</translation>
    </message>
    <message>
        <source>Click papers to choose frames, and say here what is to be done with them.</source>
        <translation>Cliquez sur des feuilles pour choisir des vues, et dites ici ce qu&apos;il faut en faire.</translation>
    </message>
    <message>
        <source>All like %1 of %2</source>
        <translation>Toutes comme %1 de %2</translation>
    </message>
    <message>
        <source>All like a trial</source>
        <translation>Toutes comme un essai</translation>
    </message>
    <message>
        <source>Carry over from %1</source>
        <translation>Reprendre de %1</translation>
    </message>
    <message>
        <source>Carry over</source>
        <translation>Reprendre</translation>
    </message>
    <message>
        <source>Make or part a series</source>
        <translation>Former ou dissoudre une série</translation>
    </message>
    <message>
        <source>Nothing to change.</source>
        <translation>Rien à changer.</translation>
    </message>
    <message>
        <source>One frame has another series now.</source>
        <translation>Une vue a maintenant une autre série.</translation>
    </message>
    <message>
        <source>One series of these</source>
        <translation>Une série de celles-ci</translation>
    </message>
    <message>
        <source>Whatever their times say</source>
        <translation>Quelle que soit leur heure</translation>
    </message>
    <message>
        <source>No series</source>
        <translation>Aucune série</translation>
    </message>
    <message>
        <source>Each by itself</source>
        <translation>Chacune à part</translation>
    </message>
    <message>
        <source>As their times tell</source>
        <translation>Selon leur heure</translation>
    </message>
    <message numerus="yes">
        <source>%n frames have another series now.</source>
        <translation>
            <numerusform>%n vue a maintenant une autre série.</numerusform>
            <numerusform>%n vues ont maintenant une autre série.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames have their keepers now.</source>
        <translation>
            <numerusform>%n vue a maintenant son essai retenu.</numerusform>
            <numerusform>%n vues ont maintenant leur essai retenu.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n other frames have it now.</source>
        <translation>
            <numerusform>%n autre vue l&apos;a maintenant.</numerusform>
            <numerusform>%n autres vues l&apos;ont maintenant.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames are off the roll; their files stay. Undo puts them back.</source>
        <translation>
            <numerusform>%n vue est retirée de la pellicule ; son fichier reste. Annuler la remet.</numerusform>
            <numerusform>%n vues sont retirées de la pellicule ; leurs fichiers restent. Annuler les remet.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames</source>
        <translation>
            <numerusform>%n vue</numerusform>
            <numerusform>%n vues</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n frames chosen</source>
        <translation>
            <numerusform>%n vue choisie</numerusform>
            <numerusform>%n vues choisies</numerusform>
        </translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>proximité</translation>
    </message>
    <message>
        <source>The furthest from the picture without noise first, as estimated of each with its keeper, or its suggestion</source>
        <translation>D&apos;abord la plus éloignée de l&apos;image sans bruit, estimée pour chaque vue retenue ou suggérée</translation>
    </message>
    <message>
        <source>%1, %2 to come</source>
        <translation>%1, encore %2</translation>
    </message>
</context>
<context>
    <name>irenic::DctDecoder</name>
    <message>
        <source>does not begin as a JPEG</source>
        <translation>ne commence pas comme un JPEG</translation>
    </message>
    <message>
        <source>ends inside a segment</source>
        <translation>finit dans un segment</translation>
    </message>
    <message>
        <source>has contradictory tables</source>
        <translation>a des tables contradictoires</translation>
    </message>
    <message>
        <source>is coded in a way that is not read</source>
        <translation>est codé d&apos;une façon qui n&apos;est pas lue</translation>
    </message>
    <message>
        <source>has a scan that does not fit its frame</source>
        <translation>a une passe qui ne va pas dans son cadre</translation>
    </message>
    <message>
        <source>holds no whole picture</source>
        <translation>ne contient pas d&apos;image entière</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>n&apos;a pas été décodé jusqu&apos;au bout</translation>
    </message>
    <message>
        <source>holds a code that its table does not know</source>
        <translation>contient un code que sa table ne connaît pas</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>s&apos;interrompt</translation>
    </message>
</context>
<context>
    <name>irenic::DecisionBook</name>
    <message>
        <source>list of decisions</source>
        <translation>liste des décisions</translation>
    </message>
    <message>
        <source>The folder of %1 cannot be made; what was decided is not remembered.</source>
        <translation>Le dossier de %1 ne peut être créé ; ce qui fut décidé n&apos;est pas retenu.</translation>
    </message>
</context>
<context>
    <name>irenic::Decisions</name>
    <message>
        <source>grain below 6 %</source>
        <translation>grain sous 6 %</translation>
    </message>
    <message>
        <source>grain from 6 to 12 %</source>
        <translation>grain de 6 à 12 %</translation>
    </message>
    <message>
        <source>grain above 12 %</source>
        <translation>grain au-dessus de 12 %</translation>
    </message>
    <message>
        <source>luminance %1 x the suggestion</source>
        <translation>luminance %1 x la suggestion</translation>
    </message>
    <message>
        <source>colour %1 x the suggestion</source>
        <translation>couleur %1 x la suggestion</translation>
    </message>
    <message>
        <source>detail %1</source>
        <translation>détail %1</translation>
    </message>
    <message>
        <source>grain %1</source>
        <translation>grain %1</translation>
    </message>
    <message>
        <source>On %1 frames with %2 you settled on %3.</source>
        <translation>Sur %1 vues avec %2 vous vous êtes arrêté à %3.</translation>
    </message>
</context>
<context>
    <name>irenic::DecisionsDialog</name>
    <message>
        <source>Your own starting point</source>
        <translation>Votre point de départ</translation>
    </message>
    <message>
        <source>Every keeper that is exported is remembered beside what had been suggested for its frame. Where frames of like noise agree beyond chance, a trial can start from there: Shift+Backspace, or the button under it. Nothing leaves this computer.</source>
        <translation>Chaque essai retenu qui est exporté est gardé en mémoire à côté de ce qui était suggéré pour sa vue. Là où des vues d&apos;un bruit semblable s&apos;accordent au-delà du hasard, un essai peut partir de là : Maj+Retour arrière, ou le bouton sous lui. Rien ne quitte cet ordinateur.</translation>
    </message>
    <message>
        <source>Decisions</source>
        <translation>Décisions</translation>
    </message>
    <message>
        <source>frame</source>
        <translation>vue</translation>
    </message>
    <message>
        <source>day</source>
        <translation>jour</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>grain</translation>
    </message>
    <message>
        <source>method</source>
        <translation>méthode</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>luminance</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>détail</translation>
    </message>
    <message>
        <source>grain kept</source>
        <translation>grain gardé</translation>
    </message>
    <message>
        <source>Forget the chosen</source>
        <translation>Oublier les choisies</translation>
    </message>
    <message>
        <source>Forget all</source>
        <translation>Tout oublier</translation>
    </message>
    <message>
        <source>Export...</source>
        <translation>Exporter...</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>%1 x suggested</source>
        <translation>%L1 x la suggestion</translation>
    </message>
    <message>
        <source>Nothing was decided yet.</source>
        <translation>Rien n&apos;a encore été décidé.</translation>
    </message>
    <message>
        <source>The decisions do not agree beyond chance yet; that takes six frames at least.</source>
        <translation>Les décisions ne s&apos;accordent pas encore au-delà du hasard ; il y faut au moins six vues.</translation>
    </message>
    <message>
        <source>Export the decisions</source>
        <translation>Exporter les décisions</translation>
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
        <translation>a un motif six par six qui n&apos;a pu être dématricé</translation>
    </message>
</context>
<context>
    <name>irenic::DngReader</name>
    <message>
        <source>The sensor has no colour filters: its one channel stands for all three.</source>
        <translation>Le capteur n&apos;a pas de filtres de couleur : son unique canal vaut pour les trois.</translation>
    </message>
    <message>
        <source>The default crop lies outside the active area and was passed over.</source>
        <translation>Le cadrage par défaut se trouve hors de la surface active et fut ignoré.</translation>
    </message>
    <message>
        <source>Black levels of single rows and columns of full colour were passed over.</source>
        <translation>Les niveaux de noir de rangées et de colonnes isolées, en couleur, furent ignorés.</translation>
    </message>
    <message>
        <source>The black levels repeat over more than two places; their mean over each colour is used for scaling.</source>
        <translation>Les niveaux de noir se répètent sur plus de deux places ; leur moyenne par couleur sert à l&apos;échelle.</translation>
    </message>
    <message>
        <source>One of the file&apos;s colour matrices cannot be used and was passed over.</source>
        <translation>Une des matrices de couleur du fichier est inutilisable et fut ignorée.</translation>
    </message>
    <message>
        <source>The file does not say its white balance; equal channels are shown as white.</source>
        <translation>Le fichier ne dit pas sa balance des blancs ; des canaux égaux sont montrés blancs.</translation>
    </message>
    <message>
        <source>The file does not describe its colours; they are shown as sRGB.</source>
        <translation>Le fichier ne décrit pas ses couleurs ; elles sont montrées en sRGB.</translation>
    </message>
    <message>
        <source>Lights more than sixteen times as bright as white were cut off.</source>
        <translation>Les lumières plus de seize fois plus claires que le blanc furent coupées.</translation>
    </message>
    <message>
        <source>%1 samples are no numbers and were read as black.</source>
        <translation>%1 échantillons ne sont pas des nombres et furent lus comme noirs.</translation>
    </message>
    <message>
        <source>The file is compressed with loss (%1): part of its noise and of its finest detail is gone, and what is left is no longer independent from pixel to pixel.</source>
        <translation>Le fichier est comprimé avec perte (%1) : une part de son bruit et de son détail le plus fin est partie, et ce qui reste n&apos;est plus indépendant d&apos;un pixel à l&apos;autre.</translation>
    </message>
    <message>
        <source>holds no sensor samples</source>
        <translation>ne contient pas d&apos;échantillons de capteur</translation>
    </message>
    <message>
        <source>claims a size that no sensor has</source>
        <translation>prétend à une taille qu&apos;aucun capteur n&apos;a</translation>
    </message>
    <message>
        <source>stores several samples at each place of its pattern</source>
        <translation>garde plusieurs échantillons à chaque place de son motif</translation>
    </message>
    <message>
        <source>is a linear DNG with other than three colours</source>
        <translation>est un DNG linéaire à autre que trois couleurs</translation>
    </message>
    <message>
        <source>stores its colours with different numbers of bits</source>
        <translation>garde ses couleurs avec des nombres de bits différents</translation>
    </message>
    <message>
        <source>stores samples that are neither whole numbers nor floats</source>
        <translation>garde des échantillons ni entiers ni flottants</translation>
    </message>
    <message>
        <source>weaves its rows or columns in a way that cannot be</source>
        <translation>entrelace ses rangées ou colonnes d&apos;une façon impossible</translation>
    </message>
    <message>
        <source>stores its tiles in smaller blocks, which this version does not read</source>
        <translation>garde ses tuiles en blocs plus petits, que cette version ne lit pas</translation>
    </message>
    <message>
        <source>has tiles or strips of no size</source>
        <translation>a des tuiles ou bandes sans taille</translation>
    </message>
    <message>
        <source>lists %1 pieces of picture where its size asks for %2</source>
        <translation>liste %1 morceaux d&apos;image où sa taille en demande %2</translation>
    </message>
    <message>
        <source>is damaged: its pieces of picture lie on top of each other</source>
        <translation>est endommagé : ses morceaux d&apos;image se recouvrent</translation>
    </message>
    <message>
        <source>is damaged: its compressed picture is too short for its size</source>
        <translation>est endommagé : son image comprimée est trop courte pour sa taille</translation>
    </message>
    <message>
        <source>has tiles that are far larger than its picture</source>
        <translation>a des tuiles bien plus grandes que son image</translation>
    </message>
    <message>
        <source>is cut off: part of the picture lies beyond the file&apos;s end</source>
        <translation>est tronqué : une partie de l&apos;image est au-delà de la fin du fichier</translation>
    </message>
    <message>
        <source>is cut off: a piece of the picture is shorter than its size asks for</source>
        <translation>est tronqué : un morceau de l&apos;image est plus court que sa taille ne le veut</translation>
    </message>
    <message>
        <source>has an active area outside its samples</source>
        <translation>a une zone active hors de ses échantillons</translation>
    </message>
    <message>
        <source>has an unusual arrangement of red, green and blue</source>
        <translation>a une disposition inhabituelle de rouge, vert et bleu</translation>
    </message>
    <message>
        <source>has a sensor pattern other than two by two</source>
        <translation>a un motif de capteur autre que deux par deux</translation>
    </message>
    <message>
        <source>has sensor colours other than red, green and blue</source>
        <translation>a des couleurs de capteur autres que rouge, vert et bleu</translation>
    </message>
    <message>
        <source>has an impossible pattern of black levels</source>
        <translation>a un motif impossible de niveaux de noir</translation>
    </message>
    <message>
        <source>names fewer black levels than it has colours</source>
        <translation>nomme moins de niveaux de noir qu&apos;il n&apos;a de couleurs</translation>
    </message>
    <message>
        <source>names fewer black levels than its pattern has places</source>
        <translation>nomme moins de niveaux de noir que son motif n&apos;a de places</translation>
    </message>
    <message>
        <source>has a black level that is not below its white level</source>
        <translation>a un niveau de noir qui n&apos;est pas sous son niveau de blanc</translation>
    </message>
</context>
<context>
    <name>irenic::DngReader::IsRaw</name>
    <message>
        <source>The file holds a table of local gains that belongs to its look; it is kept in a DNG and not shown.</source>
        <translation>Le fichier contient une table de gains locaux qui tient à son aspect ; elle reste dans un DNG et n&apos;est pas montrée.</translation>
    </message>
    <message>
        <source>another raw picture</source>
        <translation>une autre image raw</translation>
    </message>
    <message>
        <source>%1 further raw pictures</source>
        <translation>%1 autres images raw</translation>
    </message>
    <message>
        <source>a mask</source>
        <translation>un masque</translation>
    </message>
    <message>
        <source>%1 masks</source>
        <translation>%1 masques</translation>
    </message>
    <message>
        <source>a depth map</source>
        <translation>une carte de profondeur</translation>
    </message>
    <message>
        <source>%1 depth maps</source>
        <translation>%1 cartes de profondeur</translation>
    </message>
    <message>
        <source>The file also holds %1; only its main picture is read.</source>
        <translation>Le fichier contient aussi %1 ; seule son image principale est lue.</translation>
    </message>
</context>
<context>
    <name>irenic::Editing</name>
    <message>
        <source>%1 strength of %2</source>
        <translation>%1, force de %2</translation>
    </message>
    <message>
        <source>%1 of %2</source>
        <translation>%1 de %2</translation>
    </message>
    <message>
        <source>method of %1</source>
        <translation>méthode de %1</translation>
    </message>
    <message>
        <source>return of %1 to the suggestion</source>
        <translation>retour de %1 à la suggestion</translation>
    </message>
    <message>
        <source>own starting point of %1</source>
        <translation>point de départ propre de %1</translation>
    </message>
    <message>
        <source>regions in %1</source>
        <translation>régions dans %1</translation>
    </message>
    <message>
        <source>no regions in %1</source>
        <translation>pas de régions dans %1</translation>
    </message>
    <message>
        <source>taking back the keeper</source>
        <translation>reprise de l&apos;essai retenu</translation>
    </message>
    <message>
        <source>choosing %1 as keeper</source>
        <translation>choix de %1 comme essai retenu</translation>
    </message>
    <message>
        <source>adding trial %1</source>
        <translation>ajout de l&apos;essai %1</translation>
    </message>
    <message>
        <source>removing trial %1</source>
        <translation>suppression de l&apos;essai %1</translation>
    </message>
    <message>
        <source>moving trial %1</source>
        <translation>déplacement de l&apos;essai %1</translation>
    </message>
    <message>
        <source>marking spot %1</source>
        <translation>marquage du repère %1</translation>
    </message>
    <message>
        <source>moving spot %1</source>
        <translation>déplacement du repère %1</translation>
    </message>
    <message>
        <source>name of spot %1</source>
        <translation>nom du repère %1</translation>
    </message>
    <message>
        <source>removing spot %1</source>
        <translation>suppression du repère %1</translation>
    </message>
    <message>
        <source>order of spots</source>
        <translation>ordre des repères</translation>
    </message>
    <message>
        <source>carrying spots to the series</source>
        <translation>report des repères sur la série</translation>
    </message>
    <message>
        <source>making a series</source>
        <translation>création d’une série</translation>
    </message>
    <message>
        <source>series by time</source>
        <translation>séries selon l’heure</translation>
    </message>
    <message>
        <source>parting a series</source>
        <translation>dissolution d’une série</translation>
    </message>
    <message>
        <source>carrying spots to other frames</source>
        <translation>report des repères sur d&apos;autres vues</translation>
    </message>
    <message>
        <source>rendering other frames alike</source>
        <translation>même rendu pour d&apos;autres vues</translation>
    </message>
    <message>
        <source>rendering all frames alike</source>
        <translation>même rendu pour toutes les vues</translation>
    </message>
    <message>
        <source>correcting other frames alike</source>
        <translation>même correction pour d&apos;autres vues</translation>
    </message>
    <message>
        <source>pinning a guest</source>
        <translation>accrochage d&apos;un invité</translation>
    </message>
    <message>
        <source>taking down a guest</source>
        <translation>décrochage d&apos;un invité</translation>
    </message>
    <message>
        <source>taking down guests that are away</source>
        <translation>décrochage des invités absents</translation>
    </message>
    <message>
        <source>treating all frames alike</source>
        <translation>même traitement pour toutes les vues</translation>
    </message>
    <message>
        <source>taking a frame off the roll</source>
        <translation>retrait d&apos;une vue de la pellicule</translation>
    </message>
    <message numerus="yes">
        <source>taking %n frames off the roll</source>
        <translation>
            <numerusform>retrait de %n vue de la pellicule</numerusform>
            <numerusform>retrait de %n vues de la pellicule</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::EmptyPage</name>
    <message>
        <source>Drop raw frames or a folder here</source>
        <translation>Déposez ici des vues raw ou un dossier</translation>
    </message>
    <message>
        <source>Irenic measures the noise of each, hangs the same pixels side by side under several strengths,
and writes a clean DNG or TIFF. The originals are never written to.</source>
        <translation>Irenic mesure le bruit de chacune, accroche côte à côte les mêmes pixels sous plusieurs forces,
et écrit un DNG ou un TIFF propre. Les originaux ne sont jamais modifiés.</translation>
    </message>
    <message>
        <source>Open frames...</source>
        <translation>Ouvrir des vues...</translation>
    </message>
    <message>
        <source>Open folder...</source>
        <translation>Ouvrir un dossier...</translation>
    </message>
    <message>
        <source>Continue where you left off</source>
        <translation>Continuer où j&apos;en étais</translation>
    </message>
    <message>
        <source>Open the demo roll</source>
        <translation>Ouvrir la pellicule de démonstration</translation>
    </message>
</context>
<context>
    <name>irenic::ExportDialog</name>
    <message>
        <source>Export</source>
        <translation>Exporter</translation>
    </message>
    <message>
        <source>8 bits hold 256 steps of each colour: smooth tones may show bands once such a file is edited. The last step is dithered against it.</source>
        <translation>8 bits ne contiennent que 256 niveaux par couleur : des tons lisses peuvent montrer des bandes dès qu&apos;un tel fichier est retouché. Le dernier niveau est tramé contre cela.</translation>
    </message>
    <message>
        <source>A DNG of sensor samples does not hold the network&apos;s full colour: the program that opens it demosaics the cleaned samples. A linear DNG, TIFF, JPEG or PNG holds it.</source>
        <translation>Un DNG d&apos;échantillons du capteur ne contient pas les couleurs du réseau : le programme qui l&apos;ouvre dématrice les échantillons nettoyés. Un DNG linéaire, un TIFF, un JPEG ou un PNG les contient.</translation>
    </message>
    <message>
        <source>Frames</source>
        <translation>Vues</translation>
    </message>
    <message>
        <source>As</source>
        <translation>En</translation>
    </message>
    <message>
        <source>Rendered</source>
        <translation>Rendu</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Où</translation>
    </message>
    <message>
        <source>{name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} and {counter} are filled in.</source>
        <translation>{name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} et {counter} sont remplis.</translation>
    </message>
    <message>
        <source>the next number</source>
        <translation>le numéro suivant</translation>
    </message>
    <message>
        <source>ask</source>
        <translation>demander</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>laissé de côté</translation>
    </message>
    <message>
        <source>where taken:</source>
        <translation>si pris :</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Nom</translation>
    </message>
    <message>
        <source>copy the XMP sidecar of an original along, under the new name</source>
        <translation>copier aussi le fichier XMP d&apos;un original, sous le nouveau nom</translation>
    </message>
    <message>
        <source>Will write</source>
        <translation>Écrira</translation>
    </message>
    <message>
        <source>Takes</source>
        <translation>Prend</translation>
    </message>
    <message>
        <source>the chosen frame, with its keeper or its suggestion</source>
        <translation>la vue choisie, avec son essai retenu ou sa suggestion</translation>
    </message>
    <message>
        <source>%1, with its keeper %2</source>
        <translation>%1, avec son essai retenu %2</translation>
    </message>
    <message>
        <source>%1, with trial %2 (no keeper is chosen)</source>
        <translation>%1, avec l&apos;essai %2 (aucun n&apos;est retenu)</translation>
    </message>
    <message>
        <source>all frames that have a keeper (none has)</source>
        <translation>toutes les vues qui ont un essai retenu (aucune n&apos;en a)</translation>
    </message>
    <message>
        <source>the one frame that has a keeper</source>
        <translation>la seule vue qui a un essai retenu</translation>
    </message>
    <message>
        <source>Treatment for all frames</source>
        <translation>Traitement de toutes les vues</translation>
    </message>
    <message>
        <source>trial %1: %2</source>
        <translation>essai %1 : %2</translation>
    </message>
    <message>
        <source>recipe %1</source>
        <translation>recette %1</translation>
    </message>
    <message>
        <source>a series: treat all by this frame&apos;s noise, so that they stay identical</source>
        <translation>une série : tout traiter selon le bruit de cette vue, pour qu&apos;elles restent pareilles</translation>
    </message>
    <message>
        <source>For focus stacks, bursts and panoramas, whose frames are going to be joined</source>
        <translation>Pour l&apos;empilement, les rafales et les panoramas, dont les vues vont être assemblées</translation>
    </message>
    <message>
        <source>DNG, still raw: white balance and colour as in the original</source>
        <translation>DNG, toujours raw : balance des blancs et couleur comme dans l&apos;original</translation>
    </message>
    <message>
        <source>uncompressed</source>
        <translation>non compressé</translation>
    </message>
    <message>
        <source>linear DNG: demosaiced, in the camera&apos;s own colours</source>
        <translation>DNG linéaire : dématricé, dans les couleurs de l&apos;appareil</translation>
    </message>
    <message>
        <source>TIFF, rendered</source>
        <translation>TIFF, rendu</translation>
    </message>
    <message>
        <source>JPEG proof</source>
        <translation>JPEG de contrôle</translation>
    </message>
    <message>
        <source>PNG proof</source>
        <translation>PNG de contrôle</translation>
    </message>
    <message>
        <source>8 bits</source>
        <translation>8 bits</translation>
    </message>
    <message>
        <source>16 bits</source>
        <translation>16 bits</translation>
    </message>
    <message>
        <source>32 bits, floating point</source>
        <translation>32 bits, virgule flottante</translation>
    </message>
    <message>
        <source>Depth of the TIFF</source>
        <translation>Profondeur du TIFF</translation>
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
        <translation>Compression du TIFF</translation>
    </message>
    <message>
        <source>sRGB, or its own</source>
        <translation>sRGB, ou le sien</translation>
    </message>
    <message>
        <source>sRGB</source>
        <translation>sRGB</translation>
    </message>
    <message>
        <source>BT.2020, sRGB curve</source>
        <translation>BT.2020, courbe sRGB</translation>
    </message>
    <message>
        <source>BT.2020, linear</source>
        <translation>BT.2020, linéaire</translation>
    </message>
    <message>
        <source>Colour profile of rendered files; a finished picture can keep its own</source>
        <translation>Profil de couleur des fichiers rendus ; une image finie peut garder le sien</translation>
    </message>
    <message>
        <source> dpi</source>
        <translation> ppp</translation>
    </message>
    <message>
        <source>Resolution of rendered files</source>
        <translation>Résolution des fichiers rendus</translation>
    </message>
    <message>
        <source>beside the originals</source>
        <translation>à côté des originaux</translation>
    </message>
    <message>
        <source>in a folder there:</source>
        <translation>dans un dossier à cet endroit :</translation>
    </message>
    <message>
        <source>Folder beside the originals</source>
        <translation>Dossier à côté des originaux</translation>
    </message>
    <message>
        <source>in</source>
        <translation>dans</translation>
    </message>
    <message>
        <source>Folder for the exports</source>
        <translation>Dossier des exports</translation>
    </message>
    <message>
        <source>Choose...</source>
        <translation>Choisir...</translation>
    </message>
    <message>
        <source>Choose at least one format.</source>
        <translation>Choisissez au moins un format.</translation>
    </message>
    <message>
        <source>There is no such folder.</source>
        <translation>Ce dossier n&apos;existe pas.</translation>
    </message>
    <message>
        <source>Name a folder that lies in the folder of the originals.</source>
        <translation>Nommez un dossier qui se trouve dans celui des originaux.</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>et %1 de plus</translation>
    </message>
    <message>
        <source>not known before the frames are measured</source>
        <translation>inconnu avant que les vues soient mesurées</translation>
    </message>
    <message>
        <source>about %1</source>
        <translation>environ %1</translation>
    </message>
    <message>
        <source>Names are taken</source>
        <translation>Des noms sont pris</translation>
    </message>
    <message>
        <source>%1 is there already. It is never replaced.</source>
        <translation>%1 existe déjà. Il n&apos;est jamais remplacé.</translation>
    </message>
    <message>
        <source>Next number</source>
        <translation>Numéro suivant</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Laisser de côté</translation>
    </message>
    <message>
        <source>the one frame of the roll, measured and with its suggestion</source>
        <translation>la seule vue de la pellicule, mesurée et avec sa suggestion</translation>
    </message>
    <message>
        <source>the one frame of the roll, with</source>
        <translation>la seule vue de la pellicule, avec</translation>
    </message>
    <message>
        <source>Compression of the DNG</source>
        <translation>Compression du DNG</translation>
    </message>
    <message>
        <source>Lossless JPEG is read everywhere. JPEG XL, without loss as well, is a little smaller, and read by few programs yet. Uncompressed takes twice the room.</source>
        <translation>Le JPEG sans perte est lu partout. JPEG XL, sans perte aussi, est un peu plus petit et peu de programmes le lisent encore. Non comprimé prend deux fois plus de place.</translation>
    </message>
    <message>
        <source>lossless JPEG</source>
        <translation>JPEG sans perte</translation>
    </message>
    <message>
        <source>JPEG XL (DNG 1.7)</source>
        <translation>JPEG XL (DNG 1.7)</translation>
    </message>
    <message numerus="yes">
        <source>the %n chosen frames, each with its keeper or its suggestion</source>
        <translation>
            <numerusform>la %n vue choisie, avec son essai retenu ou sa suggestion</numerusform>
            <numerusform>les %n vues choisies, chacune avec son essai retenu ou sa suggestion</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames that have a keeper, each with its own</source>
        <translation>
            <numerusform>la %n vue qui a un essai retenu</numerusform>
            <numerusform>les %n vues qui ont un essai retenu, chacune avec le sien</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames of the roll, each measured and with its own suggestion</source>
        <translation>
            <numerusform>la %n vue de la pellicule, mesurée et avec sa suggestion</numerusform>
            <numerusform>les %n vues de la pellicule, chacune mesurée et avec sa suggestion</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>all %n frames of the roll, alike with</source>
        <translation>
            <numerusform>la %n vue de la pellicule, avec</numerusform>
            <numerusform>les %n vues de la pellicule, toutes avec</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>about %1 in all for %n files, %2 each</source>
        <translation>
            <numerusform>environ %1 en tout pour %n fichier, %2 chacun</numerusform>
            <numerusform>environ %1 en tout pour %n fichiers, %2 chacun</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n of these names are taken already, %1 the first. No file is ever replaced.</source>
        <translation>
            <numerusform>%n de ces noms est déjà pris, %1 le premier. Aucun fichier n&apos;est jamais remplacé.</numerusform>
            <numerusform>%n de ces noms sont déjà pris, %1 le premier. Aucun fichier n&apos;est jamais remplacé.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::ExportQueue</name>
    <message>
        <source>The queue could not be kept. %1 Exports go on; were Irenic to end now, those that are not done would not be offered again.</source>
        <translation>La file n&apos;a pas pu être gardée. %1 Les exports continuent ; si Irenic s&apos;arrêtait maintenant, ceux qui ne sont pas faits ne seraient plus proposés.</translation>
    </message>
    <message>
        <source>%1 s</source>
        <translation>%1 s</translation>
    </message>
    <message>
        <source>%1 written, %2 there already, %3 failed, %4 cancelled.</source>
        <translation>%1 écrits, %2 déjà là, %3 échoués, %4 annulés.</translation>
    </message>
    <message>
        <source>written   %1
          from %2, in %3; %4</source>
        <translation>écrit     %1
          de %2, en %3 ; %4</translation>
    </message>
    <message>
        <source>skipped   %1
          from %2; %3</source>
        <translation>laissé    %1
          de %2 ; %3</translation>
    </message>
    <message>
        <source>failed    %1
          %2</source>
        <translation>échoué    %1
          %2</translation>
    </message>
    <message>
        <source>cancelled %1</source>
        <translation>annulé    %1</translation>
    </message>
    <message>
        <source>queue</source>
        <translation>file d&apos;attente</translation>
    </message>
</context>
<context>
    <name>irenic::FrameDelegate</name>
    <message>
        <source>not found</source>
        <translation>introuvable</translation>
    </message>
    <message>
        <source>not opened</source>
        <translation>non ouverte</translation>
    </message>
    <message>
        <source>measuring</source>
        <translation>mesure</translation>
    </message>
    <message>
        <source>waiting</source>
        <translation>en attente</translation>
    </message>
    <message>
        <source>exported</source>
        <translation>exportées</translation>
    </message>
    <message>
        <source>keeper %1</source>
        <translation>retenu %1</translation>
    </message>
    <message>
        <source>See its tooltip for why.</source>
        <translation>L&apos;infobulle dit pourquoi.</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>grain</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message numerus="yes">
        <source>%n frames</source>
        <translation>
            <numerusform>%n vue</numerusform>
            <numerusform>%n vues</numerusform>
        </translation>
    </message>
    <message>
        <source>%L1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source>no estimate</source>
        <translation>pas d&apos;estimation</translation>
    </message>
</context>
<context>
    <name>irenic::GuestPinning</name>
    <message>
        <source>Matching %1 ...</source>
        <translation>Ajustement de %1...</translation>
    </message>
    <message>
        <source>Pin renditions of this frame made elsewhere</source>
        <translation>Accrocher des rendus de cette vue faits ailleurs</translation>
    </message>
    <message>
        <source>Pictures (*.tif *.tiff *.jpg *.jpeg *.png *.jxl *.heic *.heif *.avif *.dng)</source>
        <translation>Images (*.tif *.tiff *.jpg *.jpeg *.png *.jxl *.heic *.heif *.avif *.dng)</translation>
    </message>
    <message>
        <source>Pinned %1. %2</source>
        <translation>%1 accroché. %2</translation>
    </message>
    <message>
        <source>%1 It stays in the session as a guest of %2.</source>
        <translation>%1 Il reste dans la session, invité de %2.</translation>
    </message>
    <message numerus="yes">
        <source>Matching %n guests ...</source>
        <translation>
            <numerusform>Ajustement de %n invité...</numerusform>
            <numerusform>Ajustement de %n invités...</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::GuideNote</name>
    <message>
        <source>Close</source>
        <translation>Fermer</translation>
    </message>
    <message>
        <source>Next (%1 of %2)</source>
        <translation>Suivant (%1 sur %2)</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fini</translation>
    </message>
</context>
<context>
    <name>irenic::HandBack</name>
    <message>
        <source>Leave &amp;unchanged</source>
        <translation>&amp;Laisser inchangé</translation>
    </message>
    <message>
        <source>Hand &amp;back</source>
        <translation>&amp;Rendre</translation>
    </message>
    <message>
        <source>%1 is being cleaned ...</source>
        <translation>%1 est en cours de nettoyage...</translation>
    </message>
    <message>
        <source>%1 was sent by another program.</source>
        <translation>%1 fut envoyé par un autre programme.</translation>
    </message>
    <message>
        <source>Trial %1 takes the place of %2.</source>
        <translation>L&apos;essai %1 prend la place de %2.</translation>
    </message>
    <message>
        <source>Trial %1 of %2 goes back as a file beside it.</source>
        <translation>L&apos;essai %1 de %2 repart en fichier à côté.</translation>
    </message>
    <message>
        <source>%1 is no finished picture; it stays as it is.</source>
        <translation>%1 n&apos;est pas une image finie ; elle reste telle quelle.</translation>
    </message>
    <message>
        <source>%1 could not be replaced: %2. It is as it was.</source>
        <translation>%1 n&apos;a pas pu être remplacé : %2. Il est tel qu&apos;il était.</translation>
    </message>
    <message>
        <source>%1 was changed meanwhile by another program; it stays as it is.</source>
        <translation>%1 fut changé entre-temps par un autre programme ; il reste tel quel.</translation>
    </message>
</context>
<context>
    <name>irenic::HelpPages</name>
    <message>
        <source>Pages about Irenic</source>
        <translation>Pages sur Irenic</translation>
    </message>
    <message>
        <source>Words to look for</source>
        <translation>Mots à chercher</translation>
    </message>
    <message>
        <source>words in the pages</source>
        <translation>mots dans les pages</translation>
    </message>
    <message>
        <source>Pages</source>
        <translation>Pages</translation>
    </message>
    <message>
        <source>Text of the page</source>
        <translation>Texte de la page</translation>
    </message>
</context>
<context>
    <name>irenic::HistogramPanel</name>
    <message>
        <source>brightness, EV against clipping</source>
        <translation>luminosité, EV sous l&apos;écrêtage</translation>
    </message>
    <message>
        <source>% of samples</source>
        <translation>% des échantillons</translation>
    </message>
    <message>
        <source>red</source>
        <translation>rouge</translation>
    </message>
    <message>
        <source>green</source>
        <translation>vert</translation>
    </message>
    <message>
        <source>blue</source>
        <translation>bleu</translation>
    </message>
    <message>
        <source>clipped: red %1 %, green %2 %, blue %3 %
at or below black: %4 %, %5 %, %6 %</source>
        <translation>écrêté : rouge %1 %, vert %2 %, bleu %3 %
au noir ou dessous : %4 %, %5 %, %6 %</translation>
    </message>
</context>
<context>
    <name>irenic::InputFile</name>
    <message>
        <source>does not exist</source>
        <translation>n&apos;existe pas</translation>
    </message>
    <message>
        <source>is no plain file</source>
        <translation>n&apos;est pas un fichier ordinaire</translation>
    </message>
    <message>
        <source>cannot be opened for reading (%1)</source>
        <translation>ne peut être ouvert en lecture (%1)</translation>
    </message>
    <message>
        <source>cannot be opened for reading</source>
        <translation>ne peut être ouvert en lecture</translation>
    </message>
    <message>
        <source>is a folder, not a picture</source>
        <translation>est un dossier, non une image</translation>
    </message>
</context>
<context>
    <name>irenic::JsonReader</name>
    <message>
        <source>%1 lacks something or holds what cannot be (%2); nothing was changed.</source>
        <translation>%1 manque de quelque chose ou contient l&apos;impossible (%2) ; rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>%1 cannot be used: %2 Nothing was changed.</source>
        <translation>%1 est inutilisable : %2 Rien n&apos;est changé.</translation>
    </message>
</context>
<context>
    <name>irenic::LadderCurve</name>
    <message>
        <source>nearness: computing</source>
        <translation>proximité : calcul</translation>
    </message>
</context>
<context>
    <name>irenic::LeftoverView</name>
    <message>
        <source>Map of the frame</source>
        <translation>Carte de la vue</translation>
    </message>
    <message>
        <source>Not measured yet</source>
        <translation>Pas encore mesurée</translation>
    </message>
</context>
<context>
    <name>irenic::LensPanel</name>
    <message>
        <source>All off until it is asked for, but for lines that a file itself describes as bent. Lateral aberration and vignetting are undone on the samples, in every file; distortion and coloured fringes on the wall, in linear DNG, TIFF and proofs.</source>
        <translation>Tout est inactif tant qu&apos;on ne le demande pas, sauf pour les lignes qu&apos;un fichier décrit lui-même comme courbées. L&apos;aberration latérale et le vignetage sont défaits sur les échantillons, dans chaque fichier ; la distorsion et les franges colorées au mur, en DNG linéaire, TIFF et contrôles.</translation>
    </message>
    <message>
        <source>name of the lens</source>
        <translation>nom de l&apos;objectif</translation>
    </message>
    <message>
        <source>Name of the lens</source>
        <translation>Nom de l&apos;objectif</translation>
    </message>
    <message>
        <source>Profile of the lens</source>
        <translation>Profil de l&apos;objectif</translation>
    </message>
    <message>
        <source>lateral aberration</source>
        <translation>aberration latérale</translation>
    </message>
    <message>
        <source>Red and blue pictures are brought to the size of the green one</source>
        <translation>Les images rouge et bleue sont amenées à la taille de la verte</translation>
    </message>
    <message>
        <source>‰</source>
        <translation>‰</translation>
    </message>
    <message>
        <source>Measure on this frame</source>
        <translation>Mesurer sur cette vue</translation>
    </message>
    <message>
        <source>By its edges: how red and blue ones lie against green ones</source>
        <translation>Par ses contours : comment les rouges et les bleus tombent sur les verts</translation>
    </message>
    <message>
        <source>vignetting</source>
        <translation>vignetage</translation>
    </message>
    <message>
        <source>Corners are lifted to the light of the middle, and their noise with them</source>
        <translation>Les coins sont relevés à la lumière du milieu, et leur bruit avec eux</translation>
    </message>
    <message>
        <source>%</source>
        <translation>%</translation>
    </message>
    <message>
        <source>distortion</source>
        <translation>distorsion</translation>
    </message>
    <message>
        <source>Straight lines become straight</source>
        <translation>Les lignes droites redeviennent droites</translation>
    </message>
    <message>
        <source>What becomes of the frame&apos;s border</source>
        <translation>Ce que devient le bord de la vue</translation>
    </message>
    <message>
        <source>largest rectangle</source>
        <translation>plus grand rectangle</translation>
    </message>
    <message>
        <source>original scale</source>
        <translation>échelle d&apos;origine</translation>
    </message>
    <message>
        <source>everything, corners blank</source>
        <translation>tout, coins vides</translation>
    </message>
    <message>
        <source>All off</source>
        <translation>Tout inactif</translation>
    </message>
    <message>
        <source>border of the straightened frame</source>
        <translation>bord de la vue redressée</translation>
    </message>
    <message>
        <source>coloured fringes</source>
        <translation>franges colorées</translation>
    </message>
    <message>
        <source>lens corrections off</source>
        <translation>corrections de l&apos;objectif inactives</translation>
    </message>
    <message>
        <source>the file names no lens</source>
        <translation>le fichier ne nomme pas d&apos;objectif</translation>
    </message>
    <message>
        <source>no profile of that lens</source>
        <translation>aucun profil de cet objectif</translation>
    </message>
    <message>
        <source>choose the profile</source>
        <translation>choisir le profil</translation>
    </message>
    <message>
        <source>lateral</source>
        <translation>latérale</translation>
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
        <translation>profil de l&apos;objectif</translation>
    </message>
    <message>
        <source>measured lateral aberration</source>
        <translation>aberration latérale mesurée</translation>
    </message>
    <message>
        <source>Measuring ...</source>
        <translation>Mesure...</translation>
    </message>
    <message>
        <source>From: %1</source>
        <translation>De : %1</translation>
    </message>
    <message numerus="yes">
        <source>choose one of %n profiles</source>
        <translation>
            <numerusform>choisir le %n profil</numerusform>
            <numerusform>choisir un des %n profils</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::LivePane</name>
    <message>
        <source>doubt shows at 100 % and closer</source>
        <translation>le doute se voit à partir de 100 %</translation>
    </message>
    <message>
        <source>no doubt to tell of this frame</source>
        <translation>pas de doute à dire pour cette vue</translation>
    </message>
    <message>
        <source>settled, %1 s</source>
        <translation>prêt, %L1 s</translation>
    </message>
    <message>
        <source>computing, %1 %</source>
        <translation>calcul, %1 %</translation>
    </message>
    <message>
        <source>stale, computing</source>
        <translation>périmé, calcul</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>calcul</translation>
    </message>
</context>
<context>
    <name>irenic::LosslessDecoder</name>
    <message>
        <source>does not begin as a JPEG</source>
        <translation>ne commence pas comme un JPEG</translation>
    </message>
    <message>
        <source>has a broken segment</source>
        <translation>a un segment brisé</translation>
    </message>
    <message>
        <source>ends inside a segment</source>
        <translation>finit dans un segment</translation>
    </message>
    <message>
        <source>has contradictory tables</source>
        <translation>a des tables contradictoires</translation>
    </message>
    <message>
        <source>is not a lossless JPEG</source>
        <translation>n&apos;est pas un JPEG sans perte</translation>
    </message>
    <message>
        <source>holds no scan</source>
        <translation>ne contient pas de passe</translation>
    </message>
    <message>
        <source>has a scan that does not fit its frame</source>
        <translation>a une passe qui ne va pas dans son cadre</translation>
    </message>
    <message>
        <source>names a table that it does not hold</source>
        <translation>nomme une table qu&apos;il ne contient pas</translation>
    </message>
    <message>
        <source>has an unknown predictor</source>
        <translation>a un prédicteur inconnu</translation>
    </message>
    <message>
        <source>was not decoded to its end</source>
        <translation>n&apos;a pas été décodé jusqu&apos;au bout</translation>
    </message>
    <message>
        <source>holds a code that its table does not know</source>
        <translation>contient un code que sa table ne connaît pas</translation>
    </message>
    <message>
        <source>breaks off</source>
        <translation>s&apos;interrompt</translation>
    </message>
    <message>
        <source>lacks a restart marker</source>
        <translation>manque d&apos;une marque de reprise</translation>
    </message>
</context>
<context>
    <name>irenic::Loupe</name>
    <message>
        <source>First picture</source>
        <translation>Première image</translation>
    </message>
    <message>
        <source>Second picture</source>
        <translation>Deuxième image</translation>
    </message>
    <message>
        <source>How the two pictures are shown</source>
        <translation>Comment les deux images sont montrées</translation>
    </message>
    <message>
        <source>wipe across</source>
        <translation>balayer en largeur</translation>
    </message>
    <message>
        <source>wipe down</source>
        <translation>balayer en hauteur</translation>
    </message>
    <message>
        <source>side by side</source>
        <translation>côte à côte</translation>
    </message>
    <message>
        <source>Swap</source>
        <translation>Échanger</translation>
    </message>
    <message>
        <source>The two change places (Q)</source>
        <translation>Les deux changent de place (Q)</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Retour</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Retour au mur (Échap)</translation>
    </message>
    <message>
        <source>settled</source>
        <translation>prêt</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>calcul</translation>
    </message>
    <message>
        <source>Untreated</source>
        <translation>Non traitée</translation>
    </message>
    <message>
        <source>%1  %2</source>
        <translation>%1  %2</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Invité %1</translation>
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
        <translation>Pellicule</translation>
    </message>
    <message>
        <source>as it was opened</source>
        <translation>comme elle fut ouverte</translation>
    </message>
    <message>
        <source>Readings</source>
        <translation>Mesures</translation>
    </message>
    <message>
        <source>Histogram</source>
        <translation>Histogramme</translation>
    </message>
    <message>
        <source>Shooting data</source>
        <translation>Données de prise de vue</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Historique</translation>
    </message>
    <message>
        <source>Rendering</source>
        <translation>Rendu</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>File d&apos;attente</translation>
    </message>
    <message>
        <source>Regions</source>
        <translation>Régions</translation>
    </message>
    <message>
        <source>Lens</source>
        <translation>Objectif</translation>
    </message>
    <message>
        <source>That session is open in another window. This is a copy, kept by itself.</source>
        <translation>Cette session est ouverte dans une autre fenêtre. Ceci est une copie, gardée à part.</translation>
    </message>
    <message>
        <source>Everything is as it was left.</source>
        <translation>Tout est comme vous l&apos;aviez laissé.</translation>
    </message>
    <message>
        <source>%1 is not open; open it, and pin the file as a guest there.</source>
        <translation>%1 n&apos;est pas ouverte ; ouvrez-la, et accrochez-y le fichier en invité.</translation>
    </message>
    <message>
        <source>Written and verified: %1</source>
        <translation>Écrit et vérifié : %1</translation>
    </message>
    <message>
        <source>Left out %1: %2.</source>
        <translation>%1 laissé de côté : %2.</translation>
    </message>
    <message>
        <source>One export was not finished the last time. Resume it in the Queue, or cancel it there.</source>
        <translation>Un export ne fut pas fini la dernière fois. Reprenez-le dans la file d&apos;attente, ou annulez-le.</translation>
    </message>
    <message>
        <source>hold Space: untreated     T: test strip     W: loupe     Y: blind round     K: keep     Ctrl+E: export     F1: all keys</source>
        <translation>maintenir Espace : non traité     T : bande d&apos;essai     W : loupe     Y : à l&apos;aveugle     K : retenir     Ctrl+E : exporter     F1 : toutes les touches</translation>
    </message>
    <message>
        <source>Enter: to the wall     Shift and Ctrl: choose several     Ctrl+E: export them</source>
        <translation>Entrée : au mur     Maj et Ctrl : en choisir plusieurs     Ctrl+E : les exporter</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>whole frame</source>
        <translation>vue entière</translation>
    </message>
    <message>
        <source>, pushed %1 EV</source>
        <translation>, poussée de %1 EV</translation>
    </message>
    <message>
        <source>, %1</source>
        <translation>, %1</translation>
    </message>
    <message>
        <source>   keeper</source>
        <translation>   retenu</translation>
    </message>
    <message>
        <source>
grain left %1 %, colour %2 %, detail lost %3</source>
        <translation>
reste : grain %L1 %, couleur %L2 %, perte %L3</translation>
    </message>
    <message>
        <source>%1 at %2, %3%4%5. Strengths are multiples of the measured noise. Irenic %6</source>
        <translation>%1 à %2, %3%4%5. Les forces sont des multiples du bruit mesuré. Irenic %6</translation>
    </message>
    <message>
        <source>   %1</source>
        <translation>   %1</translation>
    </message>
    <message>
        <source>Not every picture is settled yet; write the comparison when they are.</source>
        <translation>Toutes les images ne sont pas prêtes ; écrivez la comparaison quand elles le sont.</translation>
    </message>
    <message>
        <source>Write the comparison</source>
        <translation>Écrire la comparaison</translation>
    </message>
    <message>
        <source>PNG (*.png)</source>
        <translation>PNG (*.png)</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Écrit : %1</translation>
    </message>
    <message>
        <source>There is a spot for every digit already; remove one first.</source>
        <translation>Chaque chiffre a déjà son repère ; supprimez-en un d&apos;abord.</translation>
    </message>
    <message>
        <source>Name of spot %1</source>
        <translation>Nom du repère %1</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Nom</translation>
    </message>
    <message>
        <source>measured %1 of %2, stopped</source>
        <translation>%1 mesurées sur %2, arrêté</translation>
    </message>
    <message>
        <source>measured %1 of %2</source>
        <translation>%1 mesurées sur %2</translation>
    </message>
    <message>
        <source>all pictures settled</source>
        <translation>toutes les images prêtes</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>calcul</translation>
    </message>
    <message>
        <source>both settled</source>
        <translation>les deux prêtes</translation>
    </message>
    <message>
        <source>all panes settled</source>
        <translation>toutes les images prêtes</translation>
    </message>
    <message>
        <source>settled: %1 of %2 panes</source>
        <translation>prêtes : %1 images sur %2</translation>
    </message>
    <message>
        <source>The folder %1 holds no photographs that can be read.</source>
        <translation>Le dossier %1 ne contient aucune photo lisible.</translation>
    </message>
    <message>
        <source>Open a session</source>
        <translation>Ouvrir une session</translation>
    </message>
    <message>
        <source>Sessions (*%1)</source>
        <translation>Sessions (*%1)</translation>
    </message>
    <message>
        <source>There is no session to go on with, or another window has it.</source>
        <translation>Il n&apos;y a pas de session à continuer, ou une autre fenêtre l&apos;a.</translation>
    </message>
    <message>
        <source>Save the session as</source>
        <translation>Enregistrer la session sous</translation>
    </message>
    <message>
        <source>The session is kept in %1 from now on.</source>
        <translation>La session est désormais gardée dans %1.</translation>
    </message>
    <message>
        <source>%1 - Irenic</source>
        <translation>%1 - Irenic</translation>
    </message>
    <message>
        <source>%1 is off the roll; the file stays where it is. Undo puts it back.</source>
        <translation>%1 est retirée de la pellicule ; le fichier reste où il est. Annuler la remet.</translation>
    </message>
    <message>
        <source>Where is %1 now?</source>
        <translation>Où est %1 maintenant ?</translation>
    </message>
    <message>
        <source>%1 (%1);;All files (*)</source>
        <translation>%1 (%1);;Tous les fichiers (*)</translation>
    </message>
    <message>
        <source>That file is in the roll already.</source>
        <translation>Ce fichier est déjà dans la pellicule.</translation>
    </message>
    <message>
        <source>Found.</source>
        <translation>Trouvé.</translation>
    </message>
    <message>
        <source>Open frames</source>
        <translation>Ouvrir des vues</translation>
    </message>
    <message>
        <source>Open a folder of frames</source>
        <translation>Ouvrir un dossier de vues</translation>
    </message>
    <message>
        <source>The demo roll has not been made; ./demo --build makes it.</source>
        <translation>La pellicule de démonstration n&apos;est pas faite ; ./demo --build la fait.</translation>
    </message>
    <message>
        <source>The frame on the wall is not read yet; export when it is.</source>
        <translation>La vue au mur n&apos;est pas encore lue ; exportez quand elle l&apos;est.</translation>
    </message>
    <message>
        <source>There is no starting point of your own for %1 yet: keepers that were exported do not agree beyond chance.</source>
        <translation>Il n&apos;y a pas encore de point de départ à vous pour %1 : les essais retenus et exportés ne s&apos;accordent pas au-delà du hasard.</translation>
    </message>
    <message>
        <source>beside the originals</source>
        <translation>à côté des originaux</translation>
    </message>
    <message>
        <source>in %1 beside the originals</source>
        <translation>dans %1 à côté des originaux</translation>
    </message>
    <message>
        <source>in %1</source>
        <translation>dans %1</translation>
    </message>
    <message>
        <source>One file</source>
        <translation>Un fichier</translation>
    </message>
    <message>
        <source>%1 into the queue, %2, each with its suggestion; about %3.</source>
        <translation>%1 dans la file, %2, chacun avec sa suggestion ; environ %3.</translation>
    </message>
    <message>
        <source>%1 into the queue, %2, each with its suggestion.</source>
        <translation>%1 dans la file, %2, chacun avec sa suggestion.</translation>
    </message>
    <message>
        <source>No further frame is measured until it goes on (Frame menu).</source>
        <translation>Aucune autre vue n&apos;est mesurée tant que cela ne reprend pas (menu Vue).</translation>
    </message>
    <message>
        <source>Measuring goes on.</source>
        <translation>La mesure reprend.</translation>
    </message>
    <message>
        <source>point at a picture to read a pixel</source>
        <translation>pointez une image pour lire un pixel</translation>
    </message>
    <message>
        <source>untreated</source>
        <translation>non traité</translation>
    </message>
    <message>
        <source>guest</source>
        <translation>invité</translation>
    </message>
    <message>
        <source>pushed %1%2 EV, for looking only</source>
        <translation>poussé de %1%2 EV, pour regarder seulement</translation>
    </message>
    <message>
        <source>shown: %1</source>
        <translation>montré : %1</translation>
    </message>
    <message>
        <source>untreated pixels everywhere</source>
        <translation>pixels non traités partout</translation>
    </message>
    <message>
        <source>blink in the place of %1: %2</source>
        <translation>clignotement à la place de %1 : %2</translation>
    </message>
    <message>
        <source>every %1 s</source>
        <translation>toutes les %L1 s</translation>
    </message>
    <message>
        <source>go on</source>
        <translation>reprendre</translation>
    </message>
    <message>
        <source>difference from %1, %2 times</source>
        <translation>différence avec %1, %2 fois</translation>
    </message>
    <message>
        <source>stronger</source>
        <translation>plus fort</translation>
    </message>
    <message>
        <source>the region&apos;s mask lies over the pictures</source>
        <translation>le masque de la région couvre les images</translation>
    </message>
    <message>
        <source>About Irenic</source>
        <translation>À propos d&apos;Irenic</translation>
    </message>
    <message>
        <source>Irenic %1

Compares and applies noise reduction on raw photographs.
Free software under the GNU General Public License, version 3 or later.
The typeface is Lato, under the SIL Open Font License.</source>
        <translation>Irenic %1

Compare et applique la réduction du bruit sur des photos raw.
Logiciel libre sous licence GNU General Public License, version 3 ou ultérieure.
Le caractère est Lato, sous la licence SIL Open Font License.</translation>
    </message>
    <message>
        <source>Profile of this screen</source>
        <translation>Profil de cet écran</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>Profils ICC (*.icc *.icm)</translation>
    </message>
    <message>
        <source>Exports are running</source>
        <translation>Des exports sont en cours</translation>
    </message>
    <message>
        <source>Closing stops them. Files that are written stay, nothing half-written is left, and the rest is offered again at the next start. Close?</source>
        <translation>Fermer les arrête. Les fichiers écrits restent, rien d&apos;à moitié écrit ne demeure, et le reste sera proposé au prochain démarrage. Fermer ?</translation>
    </message>
    <message>
        <source>The session is not kept</source>
        <translation>La session n&apos;est pas gardée</translation>
    </message>
    <message>
        <source>Close all the same?</source>
        <translation>Fermer quand même ?</translation>
    </message>
    <message>
        <source>Spots are the same on all frames of a series from now on.</source>
        <translation>Les repères sont désormais les mêmes sur toutes les vues d’une série.</translation>
    </message>
    <message>
        <source>Every frame has its own spots.</source>
        <translation>Chaque vue a ses propres repères.</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message numerus="yes">
        <source>The queue is done: %n files written and verified. The Queue card (F12) tells of each.</source>
        <translation>
            <numerusform>La file est finie : %n fichier écrit et vérifié. La carte File d&apos;attente (F12) parle de chacun.</numerusform>
            <numerusform>La file est finie : %n fichiers écrits et vérifiés. La carte File d&apos;attente (F12) parle de chacun.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n exports were not finished the last time. Resume them in the Queue, or cancel them there.</source>
        <translation>
            <numerusform>%n export ne fut pas fini la dernière fois. Reprenez-le dans la file d&apos;attente, ou annulez-le.</numerusform>
            <numerusform>%n exports ne furent pas finis la dernière fois. Reprenez-les dans la file d&apos;attente, ou annulez-les.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Found %n files of the session there.</source>
        <translation>
            <numerusform>%n fichier de la session trouvé là.</numerusform>
            <numerusform>%n fichiers de la session trouvés là.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n files</source>
        <translation>
            <numerusform>%n fichier</numerusform>
            <numerusform>%n fichiers</numerusform>
        </translation>
    </message>
    <message>
        <source>The queue is done: %1 written and verified, %2 failed. The Queue card (F12) tells of each.</source>
        <translation>La file est finie : %1 écrits et vérifiés, %2 échoués. La carte File d&apos;attente (F12) parle de chacun.</translation>
    </message>
</context>
<context>
    <name>irenic::MapView</name>
    <message>
        <source>Map of the frame</source>
        <translation>Carte de la vue</translation>
    </message>
    <message>
        <source>The whole frame. Click or drag to look elsewhere.</source>
        <translation>La vue entière. Cliquez ou glissez pour regarder ailleurs.</translation>
    </message>
</context>
<context>
    <name>irenic::OutputProof</name>
    <message>
        <source>The output profile %1 cannot be read.</source>
        <translation>Le profil de sortie %1 est illisible.</translation>
    </message>
    <message>
        <source>Profile of the output</source>
        <translation>Profil de la sortie</translation>
    </message>
    <message>
        <source>ICC profiles (*.icc *.icm)</source>
        <translation>Profils ICC (*.icc *.icm)</translation>
    </message>
</context>
<context>
    <name>irenic::OutputSizeDialog</name>
    <message>
        <source>Output size</source>
        <translation>Taille de sortie</translation>
    </message>
    <message>
        <source>Shows the frame as it will be seen at its final size. Noise that is not seen there need not be fought.</source>
        <translation>Montre la vue comme on la verra à sa taille finale. Le bruit qu&apos;on n&apos;y voit pas n&apos;a pas à être combattu.</translation>
    </message>
    <message>
        <source>Long edge</source>
        <translation>Grand côté</translation>
    </message>
    <message>
        <source> pixels</source>
        <translation> pixels</translation>
    </message>
    <message>
        <source>Print, long edge</source>
        <translation>Tirage, grand côté</translation>
    </message>
    <message>
        <source> cm</source>
        <translation> cm</translation>
    </message>
    <message>
        <source> pixels per inch</source>
        <translation> pixels par pouce</translation>
    </message>
    <message>
        <source>at</source>
        <translation>à</translation>
    </message>
    <message>
        <source>Show</source>
        <translation>Montrer</translation>
    </message>
    <message>
        <source>The frame has %1 pixels there: every one will be seen, as at 100 %.</source>
        <translation>La vue y a %1 pixels : chacun se verra, comme à 100 %.</translation>
    </message>
    <message>
        <source>%1 of %2 pixels: shown at %3 %.</source>
        <translation>%1 pixels sur %2 : montrée à %3 %.</translation>
    </message>
</context>
<context>
    <name>irenic::Plot</name>
    <message>
        <source>%1 against %2</source>
        <translation>%1 selon %2</translation>
    </message>
    <message>
        <source>%1
%2: %3
%4: %5</source>
        <translation>%1
%2 : %3
%4 : %5</translation>
    </message>
</context>
<context>
    <name>irenic::PointerMenus</name>
    <message>
        <source>Show in the file manager</source>
        <translation>Montrer dans le gestionnaire de fichiers</translation>
    </message>
    <message>
        <source>Mark a spot here</source>
        <translation>Marquer un repère ici</translation>
    </message>
    <message>
        <source>Move spot %1 here</source>
        <translation>Déplacer le repère %1 ici</translation>
    </message>
    <message>
        <source>Rename...</source>
        <translation>Renommer...</translation>
    </message>
    <message>
        <source>Move to the middle of the view</source>
        <translation>Déplacer au milieu de la vue</translation>
    </message>
    <message>
        <source>Earlier</source>
        <translation>Plus tôt</translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Plus tard</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Supprimer</translation>
    </message>
</context>
<context>
    <name>irenic::QueueOnDesktop</name>
    <message>
        <source>Photographs are being exported</source>
        <translation>Des photos sont en cours d&apos;export</translation>
    </message>
    <message>
        <source>One file was written and verified.</source>
        <translation>Un fichier fut écrit et vérifié.</translation>
    </message>
    <message>
        <source>%1 %2 failed; the Queue card says why.</source>
        <translation>%1 %2 ont échoué ; la carte File d&apos;attente dit pourquoi.</translation>
    </message>
    <message>
        <source>The queue is done</source>
        <translation>La file est finie</translation>
    </message>
    <message numerus="yes">
        <source>%n files were written and verified.</source>
        <translation>
            <numerusform>%n fichier fut écrit et vérifié.</numerusform>
            <numerusform>%n fichiers furent écrits et vérifiés.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::QueuePanel</name>
    <message>
        <source>waiting</source>
        <translation>en attente</translation>
    </message>
    <message>
        <source>running</source>
        <translation>en cours</translation>
    </message>
    <message>
        <source>verified</source>
        <translation>vérifié</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>laissé de côté</translation>
    </message>
    <message>
        <source>failed</source>
        <translation>échouées</translation>
    </message>
    <message>
        <source>cancelled</source>
        <translation>annulé</translation>
    </message>
    <message>
        <source>Queue</source>
        <translation>File d&apos;attente</translation>
    </message>
    <message>
        <source>file</source>
        <translation>fichier</translation>
    </message>
    <message>
        <source>state</source>
        <translation>état</translation>
    </message>
    <message>
        <source>time</source>
        <translation>temps</translation>
    </message>
    <message>
        <source>Pause</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>The running export is finished first</source>
        <translation>L&apos;export en cours est fini d&apos;abord</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Annuler</translation>
    </message>
    <message>
        <source>All that wait or run. Files that are written stay; nothing half-written is left</source>
        <translation>Tous ceux qui attendent ou sont en cours. Les fichiers écrits restent ; rien d&apos;à moitié écrit ne demeure</translation>
    </message>
    <message>
        <source>Retry</source>
        <translation>Réessayer</translation>
    </message>
    <message>
        <source>All that failed, once more</source>
        <translation>Tous ceux qui ont échoué, encore une fois</translation>
    </message>
    <message>
        <source>Report...</source>
        <translation>Rapport...</translation>
    </message>
    <message>
        <source>What was written where, how long it took and how it was verified, as text</source>
        <translation>Ce qui fut écrit où, en combien de temps et comment ce fut vérifié, en texte</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Vider</translation>
    </message>
    <message>
        <source>Takes what is over off this list; files stay</source>
        <translation>Ôte de la liste ce qui est fini ; les fichiers restent</translation>
    </message>
    <message>
        <source>its natural format</source>
        <translation>son format naturel</translation>
    </message>
    <message>
        <source>%1 as %2</source>
        <translation>%1 en %2</translation>
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
        <translation>Rien n&apos;a encore été exporté. Ctrl+E met des vues dans la file.</translation>
    </message>
    <message>
        <source>Pauses after this frame.</source>
        <translation>Pause après cette vue.</translation>
    </message>
    <message>
        <source>Paused; %1 waiting.</source>
        <translation>En pause ; %1 en attente.</translation>
    </message>
    <message>
        <source>%1 waiting.</source>
        <translation>%1 en attente.</translation>
    </message>
    <message>
        <source>%1 waiting, about %2 left in all.</source>
        <translation>%1 en attente, encore environ %2 en tout.</translation>
    </message>
    <message>
        <source>Done.</source>
        <translation>Fini.</translation>
    </message>
    <message>
        <source>1 written and verified.</source>
        <translation>1 écrit et vérifié.</translation>
    </message>
    <message>
        <source>1 failed; its original is as it was.</source>
        <translation>1 échoué ; son original est tel qu&apos;il était.</translation>
    </message>
    <message>
        <source>Resume</source>
        <translation>Reprendre</translation>
    </message>
    <message>
        <source>Open with which program?</source>
        <translation>Ouvrir avec quel programme ?</translation>
    </message>
    <message>
        <source>%1 could not be started.</source>
        <translation>%1 n&apos;a pas pu démarrer.</translation>
    </message>
    <message>
        <source>Report of the queue</source>
        <translation>Rapport de la file</translation>
    </message>
    <message>
        <source>Text (*.txt)</source>
        <translation>Texte (*.txt)</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Ouvrir</translation>
    </message>
    <message>
        <source>Open with...</source>
        <translation>Ouvrir avec...</translation>
    </message>
    <message>
        <source>Show in the file manager</source>
        <translation>Montrer dans le gestionnaire de fichiers</translation>
    </message>
    <message>
        <source>Pin as a guest beside its original</source>
        <translation>Accrocher en invité à côté de son original</translation>
    </message>
    <message>
        <source>Sooner (Alt+Up)</source>
        <translation>Plus tôt (Alt+Haut)</translation>
    </message>
    <message>
        <source>Later (Alt+Down)</source>
        <translation>Plus tard (Alt+Bas)</translation>
    </message>
    <message>
        <source>First of all</source>
        <translation>En tout premier</translation>
    </message>
    <message>
        <source>Cancel (Delete)</source>
        <translation>Annuler (Suppr)</translation>
    </message>
    <message>
        <source>≈ %1</source>
        <translation>≈ %1</translation>
    </message>
    <message numerus="yes">
        <source>%n written and verified.</source>
        <translation>
            <numerusform>%n écrit et vérifié.</numerusform>
            <numerusform>%n écrits et vérifiés.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n failed; their originals are as they were.</source>
        <translation>
            <numerusform>%n échoué ; son original est tel qu&apos;il était.</numerusform>
            <numerusform>%n échoués ; leurs originaux sont tels qu&apos;ils étaient.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Read</name>
    <message>
        <source>%1 %2; nothing was changed.</source>
        <translation>%1 %2 ; rien n&apos;est changé.</translation>
    </message>
    <message>
        <source>is not a %1</source>
        <translation>n&apos;est pas de cette espèce : %1</translation>
    </message>
    <message>
        <source>is a %1 without a version</source>
        <translation>est sans version (%1)</translation>
    </message>
    <message>
        <source>is a %1 of a later version of Irenic</source>
        <translation>vient d&apos;une version plus récente d&apos;Irenic (%1)</translation>
    </message>
</context>
<context>
    <name>irenic::ReadBudget</name>
    <message>
        <source>claims %1 x %2 pixels in %3 bytes, which no photograph does</source>
        <translation>prétend à %1 x %2 pixels en %3 octets, ce qu&apos;aucune photographie ne fait</translation>
    </message>
    <message>
        <source>is too large: opening it takes about %1 of memory, and %2 may be used here</source>
        <translation>est trop grand : l&apos;ouvrir prend environ %1 de mémoire, et %2 peuvent servir ici</translation>
    </message>
</context>
<context>
    <name>irenic::ReadingsPanel</name>
    <message>
        <source>Measure the whole frame</source>
        <translation>Mesurer toute la vue</translation>
    </message>
    <message>
        <source>grain left</source>
        <translation>grain restant</translation>
    </message>
    <message>
        <source>Luminance noise that is left on smooth parts, as a share of what was measured</source>
        <translation>Bruit de luminance qui reste sur les parties lisses, en part de ce qui fut mesuré</translation>
    </message>
    <message>
        <source>colour noise left</source>
        <translation>bruit de couleur restant</translation>
    </message>
    <message>
        <source>Colour noise that is left on smooth parts</source>
        <translation>Bruit de couleur qui reste sur les parties lisses</translation>
    </message>
    <message>
        <source>detail lost</source>
        <translation>perte de détail</translation>
    </message>
    <message>
        <source>How much picture went with the noise: 0 is none, 1 is nothing but picture</source>
        <translation>Combien d&apos;image est partie avec le bruit : 0 pour rien, 1 pour rien que de l&apos;image</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>doute</translation>
    </message>
    <message>
        <source>How much of the detail would be another one had the noise been another one: it may be made up (hold Q to see it)</source>
        <translation>Combien du détail serait autre si le bruit avait été autre : il peut être inventé (maintenir Q pour le voir)</translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>proximité</translation>
    </message>
    <message>
        <source>Estimated likeness to the same picture without noise; the higher, the nearer</source>
        <translation>Ressemblance estimée à la même image sans bruit ; plus c&apos;est haut, plus c&apos;est proche</translation>
    </message>
    <message>
        <source>colour drift</source>
        <translation>dérive des couleurs</translation>
    </message>
    <message>
        <source>CIEDE2000 of the means of 64 x 64 pixels against the untreated frame: median, and the 95th percentile</source>
        <translation>CIEDE2000 des moyennes de 64 x 64 pixels contre la vue non traitée : médiane et 95e centile</translation>
    </message>
    <message>
        <source>evenness</source>
        <translation>régularité</translation>
    </message>
    <message>
        <source>Median over 95th percentile of the grain left, block by block: 100 % is even</source>
        <translation>Médiane sur 95e centile du grain restant, bloc par bloc : 100 % est régulier</translation>
    </message>
    <message>
        <source>smooth share</source>
        <translation>part lisse</translation>
    </message>
    <message>
        <source>Share of the frame that is smooth enough to tell noise from picture</source>
        <translation>Part de la vue assez lisse pour distinguer le bruit de l&apos;image</translation>
    </message>
    <message>
        <source>time for the frame</source>
        <translation>temps pour la vue</translation>
    </message>
    <message>
        <source>Seconds that cleaning took, less what was known already</source>
        <translation>Secondes que prit le nettoyage, moins ce qui était déjà connu</translation>
    </message>
    <message>
        <source>What the map shows</source>
        <translation>Ce que montre la carte</translation>
    </message>
    <message>
        <source>Noise that this trial left; how far it is from the picture without noise, as estimated; or where it is further from it than another trial that was measured</source>
        <translation>Le bruit que cet essai a laissé ; à quelle distance il est de l&apos;image sans bruit, selon l&apos;estimation ; ou là où il en est plus loin qu&apos;un autre essai mesuré</translation>
    </message>
    <message>
        <source>Worst place</source>
        <translation>Pire endroit</translation>
    </message>
    <message>
        <source>Look at the first of the places that the map rings; again for the next (J)</source>
        <translation>Regarder le premier des endroits que la carte entoure ; encore pour le suivant (J)</translation>
    </message>
    <message>
        <source>Mark it</source>
        <translation>Le marquer</translation>
    </message>
    <message>
        <source>Make the worst place a spot</source>
        <translation>Faire du pire endroit un repère</translation>
    </message>
    <message>
        <source>brightness, EV against clipping</source>
        <translation>luminosité, EV sous l&apos;écrêtage</translation>
    </message>
    <message>
        <source>noise, % of clipping</source>
        <translation>bruit, % de l&apos;écrêtage</translation>
    </message>
    <message>
        <source>Stop (%1 %)</source>
        <translation>Arrêter (%1 %)</translation>
    </message>
    <message>
        <source>Choose a trial on the wall</source>
        <translation>Choisissez un essai au mur</translation>
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
        <translation>il reste trop peu pour le dire</translation>
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
        <translation>environ %L1 s</translation>
    </message>
    <message>
        <source>map: noise left</source>
        <translation>carte : bruit restant</translation>
    </message>
    <message>
        <source>map: estimated error</source>
        <translation>carte : erreur estimée</translation>
    </message>
    <message>
        <source>map: error against %1</source>
        <translation>carte : erreur contre %1</translation>
    </message>
    <message>
        <source>nothing smooth here to tell</source>
        <translation>rien d&apos;assez lisse ici</translation>
    </message>
    <message>
        <source>%1 % of the grain is left</source>
        <translation>%1 % du grain reste</translation>
    </message>
    <message>
        <source>Black: no grain left. White: %1 %. Hatched: nothing smooth there. Rings: the worst places.</source>
        <translation>Noir : pas de grain restant. Blanc : %1 %. Hachuré : rien de lisse là. Cercles : les pires endroits.</translation>
    </message>
    <message>
        <source>estimated error %1 of 255</source>
        <translation>erreur estimée %1 sur 255</translation>
    </message>
    <message>
        <source>How far this trial is from the picture without noise, as estimated. White: %1 of 255 steps. Rings: the worst places.</source>
        <translation>À quelle distance cet essai est de l&apos;image sans bruit, selon l&apos;estimation. Blanc : %1 niveaux sur 255. Cercles : les pires endroits.</translation>
    </message>
    <message>
        <source>%1 of 255 further from the picture without noise than %2</source>
        <translation>%1 sur 255 plus loin de l&apos;image sans bruit que %2</translation>
    </message>
    <message>
        <source>%1 of 255 nearer to the picture without noise than %2</source>
        <translation>%1 sur 255 plus près de l&apos;image sans bruit que %2</translation>
    </message>
    <message>
        <source>Pale: further from the picture without noise than %1, as estimated. Dark: nearer. Middle grey: level. Rings: where the two differ most.</source>
        <translation>Pâle : plus loin de l&apos;image sans bruit que %1, selon l&apos;estimation. Sombre : plus près. Gris moyen : égal. Cercles : là où les deux diffèrent le plus.</translation>
    </message>
    <message>
        <source>law</source>
        <translation>loi</translation>
    </message>
    <message>
        <source>untreated</source>
        <translation>non traité</translation>
    </message>
    <message>
        <source>after %1</source>
        <translation>après %1</translation>
    </message>
</context>
<context>
    <name>irenic::RecipeBook</name>
    <message>
        <source>The folder %1 cannot be made; the recipe was not saved.</source>
        <translation>Le dossier %1 ne peut être créé ; la recette n&apos;est pas enregistrée.</translation>
    </message>
    <message>
        <source>The recipe %1 could not be removed.</source>
        <translation>La recette %1 n&apos;a pu être enlevée.</translation>
    </message>
    <message>
        <source>There is no recipe %1.</source>
        <translation>Il n&apos;y a pas de recette %1.</translation>
    </message>
</context>
<context>
    <name>irenic::RecipeMenus</name>
    <message>
        <source>&amp;Apply a recipe</source>
        <translation>&amp;Appliquer une recette</translation>
    </message>
    <message>
        <source>Apply a recipe to a&amp;ll frames</source>
        <translation>Appliquer une recette à &amp;toutes les vues</translation>
    </message>
    <message>
        <source>E&amp;xport a recipe</source>
        <translation>E&amp;xporter une recette</translation>
    </message>
    <message>
        <source>F&amp;orget a recipe</source>
        <translation>&amp;Oublier une recette</translation>
    </message>
    <message>
        <source>%1   (%2)</source>
        <translation>%1   (%2)</translation>
    </message>
    <message>
        <source>recipe %1 on %2</source>
        <translation>recette %1 sur %2</translation>
    </message>
    <message>
        <source>Export the recipe</source>
        <translation>Exporter la recette</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Écrit : %1</translation>
    </message>
    <message>
        <source>Forgot the recipe %1.</source>
        <translation>La recette %1 est oubliée.</translation>
    </message>
    <message>
        <source>recipe %1 on chosen frames</source>
        <translation>recette %1 sur les vues choisies</translation>
    </message>
    <message>
        <source>No recipe was saved yet (Ctrl+Shift+R on the wall)</source>
        <translation>Aucune recette enregistrée (Ctrl+Maj+R au mur)</translation>
    </message>
    <message>
        <source>Save as a recipe</source>
        <translation>Enregistrer comme recette</translation>
    </message>
    <message>
        <source>Name of the recipe</source>
        <translation>Nom de la recette</translation>
    </message>
    <message>
        <source>Saved the recipe %1.</source>
        <translation>La recette %1 est enregistrée.</translation>
    </message>
    <message>
        <source>Import a recipe</source>
        <translation>Importer une recette</translation>
    </message>
    <message>
        <source>Recipes and exported pictures (*.json *.dng *.tif *.tiff *.jpg *.jpeg *.png)</source>
        <translation>Recettes et images exportées (*.json *.dng *.tif *.tiff *.jpg *.jpeg *.png)</translation>
    </message>
    <message>
        <source>Imported %1.</source>
        <translation>%1 importée.</translation>
    </message>
    <message>
        <source>%1 is the keeper of one frame now.</source>
        <translation>%1 est maintenant le choix d&apos;une vue.</translation>
    </message>
    <message numerus="yes">
        <source>%1 is the keeper of %n frames now.</source>
        <translation>
            <numerusform>%1 est maintenant le choix de %n vue.</numerusform>
            <numerusform>%1 est maintenant le choix de %n vues.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::RegionsPanel</name>
    <message>
        <source>painted</source>
        <translation>peint</translation>
    </message>
    <message>
        <source>gradient</source>
        <translation>dégradé</translation>
    </message>
    <message>
        <source>brightness</source>
        <translation>luminosité</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>sharpness</source>
        <translation>netteté</translation>
    </message>
    <message>
        <source>texture</source>
        <translation>texture</translation>
    </message>
    <message>
        <source>With a brush, on the wall</source>
        <translation>Avec un pinceau, au mur</translation>
    </message>
    <message>
        <source>Fades along a line that is drawn on the wall</source>
        <translation>S&apos;estompe le long d&apos;une ligne tracée au mur</translation>
    </message>
    <message>
        <source>What is as bright as that; at first the shadows</source>
        <translation>Ce qui est aussi clair ; d&apos;abord les ombres</translation>
    </message>
    <message>
        <source>What has the colour of a place that is clicked at</source>
        <translation>Ce qui a la couleur d&apos;un endroit où l&apos;on clique</translation>
    </message>
    <message>
        <source>What is in focus, as measured on the frame</source>
        <translation>Ce qui est net, tel que mesuré sur la vue</translation>
    </message>
    <message>
        <source>What has fine contrast beyond its noise</source>
        <translation>Ce qui a un contraste fin au-delà de son bruit</translation>
    </message>
    <message>
        <source>Regions of the frame</source>
        <translation>Régions de la vue</translation>
    </message>
    <message>
        <source>Add a region</source>
        <translation>Ajouter une région</translation>
    </message>
    <message>
        <source>Remove</source>
        <translation>Supprimer</translation>
    </message>
    <message>
        <source>inverted</source>
        <translation>inversée</translation>
    </message>
    <message>
        <source>name of a region</source>
        <translation>nom d&apos;une région</translation>
    </message>
    <message>
        <source>colour of a region</source>
        <translation>couleur d&apos;une région</translation>
    </message>
    <message>
        <source>px</source>
        <translation>px</translation>
    </message>
    <message>
        <source>%1 of a region</source>
        <translation>%1 d&apos;une région</translation>
    </message>
    <message>
        <source>Made of</source>
        <translation>Faite de</translation>
    </message>
    <message>
        <source>Parts of the region</source>
        <translation>Parties de la région</translation>
    </message>
    <message>
        <source>Add a part</source>
        <translation>Ajouter une partie</translation>
    </message>
    <message>
        <source>How the part joins those before it</source>
        <translation>Comment la partie se joint à celles d&apos;avant</translation>
    </message>
    <message>
        <source>adds</source>
        <translation>ajoute</translation>
    </message>
    <message>
        <source>subtracts</source>
        <translation>retire</translation>
    </message>
    <message>
        <source>limits</source>
        <translation>limite</translation>
    </message>
    <message>
        <source>Paint</source>
        <translation>Peindre</translation>
    </message>
    <message>
        <source>Drag on a picture to paint; the middle button moves the pictures (Ctrl+B)</source>
        <translation>Glissez sur une image pour peindre ; le bouton du milieu déplace les images (Ctrl+B)</translation>
    </message>
    <message>
        <source>Erase</source>
        <translation>Effacer</translation>
    </message>
    <message>
        <source>Drag on a picture to take away (Ctrl+Shift+B)</source>
        <translation>Glissez sur une image pour retirer (Ctrl+Maj+B)</translation>
    </message>
    <message>
        <source>Pick the colour</source>
        <translation>Prélever la couleur</translation>
    </message>
    <message>
        <source>Click on something of that colour in a picture</source>
        <translation>Cliquez sur quelque chose de cette couleur dans une image</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Vider</translation>
    </message>
    <message>
        <source>beginning of a region</source>
        <translation>début d&apos;une région</translation>
    </message>
    <message>
        <source>end of a region</source>
        <translation>fin d&apos;une région</translation>
    </message>
    <message>
        <source>softness of a region</source>
        <translation>douceur d&apos;une région</translation>
    </message>
    <message>
        <source>joining of a region</source>
        <translation>jonction d&apos;une région</translation>
    </message>
    <message>
        <source>How the region is shown</source>
        <translation>Comment la région est montrée</translation>
    </message>
    <message>
        <source>mask not shown</source>
        <translation>masque non montré</translation>
    </message>
    <message>
        <source>mask as a tint</source>
        <translation>masque en teinte</translation>
    </message>
    <message>
        <source>mask alone</source>
        <translation>masque seul</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Couleur</translation>
    </message>
    <message>
        <source>Of the tint</source>
        <translation>De la teinte</translation>
    </message>
    <message>
        <source>Colour of the tint</source>
        <translation>Couleur de la teinte</translation>
    </message>
    <message>
        <source>A frame can have %1 regions.</source>
        <translation>Une vue peut avoir %1 régions.</translation>
    </message>
    <message>
        <source>region %1</source>
        <translation>région %1</translation>
    </message>
    <message>
        <source>adding a region</source>
        <translation>ajout d&apos;une région</translation>
    </message>
    <message>
        <source>adding a part to a region</source>
        <translation>ajout d&apos;une partie à une région</translation>
    </message>
    <message>
        <source>removing a region</source>
        <translation>suppression d&apos;une région</translation>
    </message>
    <message>
        <source>removing a part of a region</source>
        <translation>suppression d&apos;une partie d&apos;une région</translation>
    </message>
    <message>
        <source>inverting a region</source>
        <translation>inversion d&apos;une région</translation>
    </message>
    <message>
        <source>clearing a region</source>
        <translation>vidage d&apos;une région</translation>
    </message>
    <message>
        <source>line of a gradient</source>
        <translation>ligne d&apos;un dégradé</translation>
    </message>
    <message>
        <source>a stroke taken away</source>
        <translation>un trait retiré</translation>
    </message>
    <message>
        <source>a stroke of the brush</source>
        <translation>un trait de pinceau</translation>
    </message>
    <message>
        <source>, 1 stroke</source>
        <translation>, 1 trait</translation>
    </message>
    <message>
        <source>without: %1</source>
        <translation>sans : %1</translation>
    </message>
    <message>
        <source>only where: %1</source>
        <translation>seulement où : %1</translation>
    </message>
    <message numerus="yes">
        <source>, %n strokes</source>
        <translation>
            <numerusform>, %n trait</numerusform>
            <numerusform>, %n traits</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::RenderingPanel</name>
    <message>
        <source>On the wall and in TIFF and proofs. A DNG stays raw and is not touched by it.</source>
        <translation>Au mur, en TIFF et en contrôles. Un DNG reste raw et n&apos;en est pas touché.</translation>
    </message>
    <message>
        <source>White as shot</source>
        <translation>Blanc d&apos;origine</translation>
    </message>
    <message>
        <source>The light that the camera balanced for</source>
        <translation>La lumière pour laquelle l&apos;appareil équilibra</translation>
    </message>
    <message>
        <source>white as shot</source>
        <translation>blanc d&apos;origine</translation>
    </message>
    <message>
        <source>Pick a grey</source>
        <translation>Prélever un gris</translation>
    </message>
    <message>
        <source>Click on something in a picture that ought to be neutral</source>
        <translation>Cliquez sur quelque chose qui devrait être neutre dans une image</translation>
    </message>
    <message>
        <source>Automatic brightness</source>
        <translation>Luminosité automatique</translation>
    </message>
    <message>
        <source>Brings the middle of the tones to a middle tone, as far as the lights allow</source>
        <translation>Amène le milieu des tons à un ton moyen, autant que les lumières le permettent</translation>
    </message>
    <message>
        <source>All as shot</source>
        <translation>Tout d&apos;origine</translation>
    </message>
    <message>
        <source>Every control back to where it does nothing</source>
        <translation>Chaque réglage là où il ne fait rien</translation>
    </message>
    <message>
        <source>rendering as shot</source>
        <translation>rendu d&apos;origine</translation>
    </message>
    <message>
        <source>All frames alike</source>
        <translation>Toutes les vues pareilles</translation>
    </message>
    <message>
        <source>Every other frame of the roll is rendered as this one</source>
        <translation>Chaque autre vue de la pellicule est rendue comme celle-ci</translation>
    </message>
    <message>
        <source>Every other frame is rendered so already.</source>
        <translation>Chaque autre vue est déjà rendue ainsi.</translation>
    </message>
    <message>
        <source>One other frame is rendered so now.</source>
        <translation>Une autre vue est maintenant rendue ainsi.</translation>
    </message>
    <message>
        <source>That place is blown, black, or of a colour that no light has; the white balance stays as it was.</source>
        <translation>Cet endroit est brûlé, noir, ou d&apos;une couleur qu&apos;aucune lumière n&apos;a ; la balance des blancs est restée telle qu&apos;elle était.</translation>
    </message>
    <message>
        <source>white from a grey</source>
        <translation>blanc d&apos;après un gris</translation>
    </message>
    <message>
        <source>automatic brightness</source>
        <translation>luminosité automatique</translation>
    </message>
    <message numerus="yes">
        <source>%n other frames are rendered so now.</source>
        <translation>
            <numerusform>%n autre vue est maintenant rendue ainsi.</numerusform>
            <numerusform>%n autres vues sont maintenant rendues ainsi.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::Roll</name>
    <message>
        <source>%1 is not where it was. What was decided about it is kept; say where the file is now (Frame, Find the file).</source>
        <translation>%1 n&apos;est plus où elle était. Ce qui fut décidé à son sujet est gardé ; dites où est le fichier maintenant (Vue, Trouver le fichier).</translation>
    </message>
</context>
<context>
    <name>irenic::RollModel</name>
    <message>
        <source>%1, not opened: %2</source>
        <translation>%1, non ouverte : %2</translation>
    </message>
    <message>
        <source>%1, not measured yet</source>
        <translation>%1, pas encore mesurée</translation>
    </message>
    <message>
        <source>%1, %2, grain %3 %, colour noise %4 %</source>
        <translation>%1, %2, grain %L3 %, bruit de couleur %L4 %</translation>
    </message>
    <message>
        <source>, keeper %1</source>
        <translation>, retenu %1</translation>
    </message>
</context>
<context>
    <name>irenic::RollPanel</name>
    <message>
        <source>Roll</source>
        <translation>Pellicule</translation>
    </message>
</context>
<context>
    <name>irenic::ScreenProfile</name>
    <message>
        <source>The screen profile %1 cannot be read; colours are shown as sRGB.</source>
        <translation>Le profil d&apos;écran %1 est illisible ; les couleurs sont montrées en sRGB.</translation>
    </message>
    <message>
        <source>screen: sRGB</source>
        <translation>écran : sRGB</translation>
    </message>
    <message>
        <source>screen: %1</source>
        <translation>écran : %1</translation>
    </message>
    <message>
        <source>profile without a name</source>
        <translation>profil sans nom</translation>
    </message>
</context>
<context>
    <name>irenic::ScreenTransform</name>
    <message>
        <source>The screen&apos;s profile %1; colours are shown as sRGB.</source>
        <translation>Le profil de l&apos;écran %1 ; les couleurs sont montrées en sRGB.</translation>
    </message>
    <message>
        <source>cannot be read</source>
        <translation>ne peut être lu</translation>
    </message>
    <message>
        <source>is not that of an RGB screen</source>
        <translation>n&apos;est pas celui d&apos;un écran RVB</translation>
    </message>
    <message>
        <source>cannot be used</source>
        <translation>est inutilisable</translation>
    </message>
</context>
<context>
    <name>irenic::SessionKeeper</name>
    <message>
        <source>The session could not be kept. %1 It is still open; what was kept before is still there.</source>
        <translation>La session n&apos;a pas pu être gardée. %1 Elle est encore ouverte ; ce qui était gardé avant est toujours là.</translation>
    </message>
    <message>
        <source>The session cannot be kept by itself: nothing can be written in %1. Save it under a name of your own (Ctrl+S).</source>
        <translation>La session ne peut se garder d&apos;elle-même : rien ne peut s&apos;écrire dans %1. Enregistrez-la sous un nom à vous (Ctrl+S).</translation>
    </message>
    <message>
        <source>%1 is there already and is no session of this version; it was left as it is. Choose another name.</source>
        <translation>%1 existe déjà et n&apos;est pas une session de cette version ; il fut laissé tel quel. Choisissez un autre nom.</translation>
    </message>
    <message>
        <source>%1 is open in another window; choose another name.</source>
        <translation>%1 est ouverte dans une autre fenêtre ; choisissez un autre nom.</translation>
    </message>
    <message>
        <source>session</source>
        <translation>session</translation>
    </message>
</context>
<context>
    <name>irenic::SheetModel</name>
    <message numerus="yes">
        <source>, and %n more of its series</source>
        <translation>
            <numerusform>, et %n de plus de sa série</numerusform>
            <numerusform>, et %n de plus de sa série</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::ShootingPanel</name>
    <message>
        <source>file</source>
        <translation>fichier</translation>
    </message>
    <message>
        <source>camera</source>
        <translation>appareil</translation>
    </message>
    <message>
        <source>lens</source>
        <translation>objectif</translation>
    </message>
    <message>
        <source>taken</source>
        <translation>prise</translation>
    </message>
    <message>
        <source>ISO</source>
        <translation>ISO</translation>
    </message>
    <message>
        <source>shutter</source>
        <translation>obturation</translation>
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
        <translation>diaphragme</translation>
    </message>
    <message>
        <source>f/%1</source>
        <translation>f/%1</translation>
    </message>
    <message>
        <source>focal length</source>
        <translation>focale</translation>
    </message>
    <message>
        <source>%1 mm</source>
        <translation>%1 mm</translation>
    </message>
    <message>
        <source>size</source>
        <translation>taille</translation>
    </message>
    <message>
        <source>%1 x %2 pixels</source>
        <translation>%1 x %2 pixels</translation>
    </message>
    <message>
        <source>depth</source>
        <translation>profondeur</translation>
    </message>
    <message>
        <source>%1 bits</source>
        <translation>%1 bits</translation>
    </message>
    <message>
        <source>pattern</source>
        <translation>motif</translation>
    </message>
    <message>
        <source>grain</source>
        <translation>grain</translation>
    </message>
    <message>
        <source>%1 % of the mid-tone</source>
        <translation>%L1 % du ton moyen</translation>
    </message>
    <message>
        <source>colour noise</source>
        <translation>bruit de couleur</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>noise law</source>
        <translation>loi du bruit</translation>
    </message>
    <message>
        <source>variance %1 x signal + %2</source>
        <translation>variance %1 x signal + %2</translation>
    </message>
    <message>
        <source>certainty</source>
        <translation>certitude</translation>
    </message>
    <message>
        <source>note</source>
        <translation>note</translation>
    </message>
</context>
<context>
    <name>irenic::ShownNotes</name>
    <message>
        <source>%1: %2</source>
        <translation>%1 : %2</translation>
    </message>
    <message>
        <source>off</source>
        <translation>arrêt</translation>
    </message>
</context>
<context>
    <name>irenic::SoftProof</name>
    <message>
        <source>cannot be read</source>
        <translation>ne peut être lu</translation>
    </message>
    <message>
        <source>is of no RGB, CMYK or grey output</source>
        <translation>n&apos;est celui d&apos;aucune sortie en RVB, CMJN ou gris</translation>
    </message>
    <message>
        <source>leads only one way</source>
        <translation>ne mène que dans un sens</translation>
    </message>
    <message>
        <source>The output profile %1.</source>
        <translation>Le profil de sortie %1.</translation>
    </message>
</context>
<context>
    <name>irenic::SpotBar</name>
    <message>
        <source>picture</source>
        <translation>image</translation>
    </message>
    <message>
        <source>removed</source>
        <translation>enlevé</translation>
    </message>
    <message>
        <source>luminance only</source>
        <translation>luminance seule</translation>
    </message>
    <message>
        <source>colour only</source>
        <translation>couleur seule</translation>
    </message>
    <message>
        <source>spared by sharpening</source>
        <translation>épargné par l&apos;accentuation</translation>
    </message>
    <message>
        <source>clipping</source>
        <translation>écrêtage</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>doute</translation>
    </message>
    <message>
        <source>+</source>
        <translation>+</translation>
    </message>
    <message>
        <source>Mark a spot</source>
        <translation>Marquer un repère</translation>
    </message>
    <message>
        <source>Mark a spot in the middle of the view (S); Shift and click marks one on a picture</source>
        <translation>Marquer un repère au milieu de la vue (S) ; Maj et clic en marque un sur une image</translation>
    </message>
    <message>
        <source>Side of the pictures that is shown</source>
        <translation>Aspect montré des images</translation>
    </message>
    <message>
        <source>rows</source>
        <translation>rangées</translation>
    </message>
    <message>
        <source>Rows of places</source>
        <translation>Rangées d&apos;endroits</translation>
    </message>
    <message>
        <source>How many places hang at once, one a row</source>
        <translation>Combien d&apos;endroits sont accrochés à la fois, un par rangée</translation>
    </message>
    <message>
        <source>Spot %1, %2</source>
        <translation>Repère %1, %2</translation>
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
        <translation>épreuve-écran</translation>
    </message>
    <message>
        <source>Which side of every picture is shown; hold R, L, O, X, Q or the comma for a moment of it</source>
        <translation>Quelle face de chaque image est montrée ; tenir R, L, O, X, Q ou la virgule pour un instant</translation>
    </message>
    <message>
        <source>out of gamut</source>
        <translation>hors gamut</translation>
    </message>
</context>
<context>
    <name>irenic::StatusLine</name>
    <message>
        <source>Show in folder</source>
        <translation>Montrer dans le dossier</translation>
    </message>
    <message>
        <source>queue: paused, %1 waiting</source>
        <translation>file : en pause, %1 en attente</translation>
    </message>
    <message>
        <source>queue: done, 1 file</source>
        <translation>file : finie, 1 fichier</translation>
    </message>
    <message>
        <source>queue: %1 of %2</source>
        <translation>file : %1 sur %2</translation>
    </message>
    <message>
        <source>, about %1 left</source>
        <translation>, encore environ %1</translation>
    </message>
    <message numerus="yes">
        <source>queue: done, %n files</source>
        <translation>
            <numerusform>file : finie, %n fichier</numerusform>
            <numerusform>file : finie, %n fichiers</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>irenic::StrengthSlider</name>
    <message>
        <source>suggestion %1</source>
        <translation>suggestion %L1</translation>
    </message>
</context>
<context>
    <name>irenic::StripView</name>
    <message>
        <source>both %1 x</source>
        <translation>les deux %L1 x</translation>
    </message>
    <message>
        <source>colour %1 x</source>
        <translation>couleur %L1 x</translation>
    </message>
    <message>
        <source>luminance %1 x</source>
        <translation>luminance %L1 x</translation>
    </message>
    <message>
        <source>lum %1   col %2</source>
        <translation>lum %L1   coul %L2</translation>
    </message>
    <message>
        <source>%1
%2 x suggested</source>
        <translation>%1
%2 x la suggestion</translation>
    </message>
    <message>
        <source>What changes from picture to picture</source>
        <translation>Ce qui change d&apos;image en image</translation>
    </message>
    <message>
        <source>Test strip: both strengths</source>
        <translation>Bande d&apos;essai : les deux forces</translation>
    </message>
    <message>
        <source>Test strip: luminance</source>
        <translation>Bande d&apos;essai : luminance</translation>
    </message>
    <message>
        <source>Test strip: colour</source>
        <translation>Bande d&apos;essai : couleur</translation>
    </message>
    <message>
        <source>Ring-around: luminance x colour</source>
        <translation>Essais croisés : luminance x couleur</translation>
    </message>
    <message>
        <source>Ring-around: methods x strengths</source>
        <translation>Essais croisés : méthodes x forces</translation>
    </message>
    <message>
        <source> x</source>
        <translation> x</translation>
    </message>
    <message>
        <source>from</source>
        <translation>de</translation>
    </message>
    <message>
        <source>to</source>
        <translation>à</translation>
    </message>
    <message>
        <source>steps</source>
        <translation>pas</translation>
    </message>
    <message>
        <source>Use it</source>
        <translation>Le prendre</translation>
    </message>
    <message>
        <source>The trial takes the picked setting (Enter)</source>
        <translation>L&apos;essai prend le réglage choisi (Entrée)</translation>
    </message>
    <message>
        <source>As a trial</source>
        <translation>En essai</translation>
    </message>
    <message>
        <source>The picked setting becomes a trial of its own (N)</source>
        <translation>Le réglage choisi devient un essai à part (N)</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Retour</translation>
    </message>
    <message>
        <source>Back to the wall (Esc)</source>
        <translation>Retour au mur (Échap)</translation>
    </message>
    <message>
        <source>Nearness of each picture of the strip</source>
        <translation>Proximité de chaque image de la bande</translation>
    </message>
    <message>
        <source>How near each comes to the picture without noise, as estimated, dB; the mark is the nearest</source>
        <translation>Combien chacune approche l&apos;image sans bruit, selon l&apos;estimation, dB ; la marque est la plus proche</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>Use it for %1</source>
        <translation>Le prendre pour %1</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source> nearest</source>
        <translation> le plus proche</translation>
    </message>
    <message>
        <source>setting of %1 from the ring-around</source>
        <translation>réglage de %1 d&apos;après les essais croisés</translation>
    </message>
    <message>
        <source>strengths of %1 from the strip</source>
        <translation>forces de %1 d&apos;après la bande</translation>
    </message>
    <message>
        <source>Frames before and after</source>
        <translation>Vues avant et après</translation>
    </message>
    <message>
        <source>Go to it</source>
        <translation>Y aller</translation>
    </message>
    <message>
        <source>The picked frame hangs, at this place (Enter)</source>
        <translation>La vue choisie est accrochée, à cet endroit (Entrée)</translation>
    </message>
    <message>
        <source>%1
%2</source>
        <translation>%1
%2</translation>
    </message>
    <message>
        <source>is being read</source>
        <translation>en cours de lecture</translation>
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
        <translation>est tronqué : un morceau de l&apos;image est plus court que sa taille ne le veut</translation>
    </message>
    <message>
        <source>is damaged: a piece of its deflated picture cannot be unpacked</source>
        <translation>est endommagé : un morceau de son image comprimée ne peut être déballé</translation>
    </message>
    <message>
        <source>is damaged: a piece of its compressed picture %1</source>
        <translation>est endommagé : un morceau de son image comprimée %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its compressed picture is too small</source>
        <translation>est endommagé : un morceau de son image comprimée est trop petit</translation>
    </message>
    <message>
        <source>is compressed as a lossy JPEG of %1 bits; those of 8 and 12 bits are read</source>
        <translation>est comprimé en JPEG avec perte de %1 bits ; ceux de 8 et 12 bits sont lus</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG does not fit its place</source>
        <translation>est endommagé : un morceau de son JPEG avec perte ne va pas à sa place</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG cannot be decoded</source>
        <translation>est endommagé : un morceau de son JPEG avec perte ne peut être décodé</translation>
    </message>
    <message>
        <source>is damaged: a piece of its lossy JPEG %1</source>
        <translation>est endommagé : un morceau de son JPEG avec perte %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its JPEG XL picture %1</source>
        <translation>est endommagé : un morceau de son image JPEG XL %1</translation>
    </message>
    <message>
        <source>is damaged: a piece of its JPEG XL picture does not fit its place</source>
        <translation>est endommagé : un morceau de son image JPEG XL ne va pas à sa place</translation>
    </message>
    <message>
        <source>could not be read to its end</source>
        <translation>n&apos;a pu être lu jusqu&apos;au bout</translation>
    </message>
</context>
<context>
    <name>irenic::ToneCurve</name>
    <message>
        <source>Strengths over brightness</source>
        <translation>Forces selon la luminosité</translation>
    </message>
    <message>
        <source>%1, %2: %3 x</source>
        <translation>%1, %2 : %L3 x</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>luminance</source>
        <translation>luminance</translation>
    </message>
    <message>
        <source>Factors of the strengths by brightness, over the frame&apos;s histogram.
Squares: luminance. Discs: colour. Drag up or down; double-click returns one to 1.</source>
        <translation>Facteurs des forces selon la luminosité, sur l&apos;histogramme de la vue.
Carrés : luminance. Disques : couleur. Glissez vers le haut ou le bas ; un double-clic ramène à 1.</translation>
    </message>
</context>
<context>
    <name>irenic::TopBar</name>
    <message>
        <source>fit</source>
        <translation>entière</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Whole frame</source>
        <translation>Vue entière</translation>
    </message>
    <message>
        <source>Magnification %1 per cent</source>
        <translation>Grandissement %1 pour cent</translation>
    </message>
    <message>
        <source>Show the whole frame (Ctrl+0)</source>
        <translation>Montrer la vue entière (Ctrl+0)</translation>
    </message>
    <message>
        <source>One picture pixel on %1 screen pixels</source>
        <translation>Un pixel d&apos;image sur %1 pixels d&apos;écran</translation>
    </message>
    <message>
        <source>push</source>
        <translation>pousser</translation>
    </message>
    <message>
        <source> EV</source>
        <translation> EV</translation>
    </message>
    <message>
        <source>Push, exposure lift for looking only</source>
        <translation>Poussée, éclaircissement pour regarder seulement</translation>
    </message>
    <message>
        <source>Lifts the exposure for looking only; exported files are not lifted (P, Shift+P)</source>
        <translation>Éclaircit pour regarder seulement ; les fichiers exportés ne le sont pas (P, Maj+P)</translation>
    </message>
    <message>
        <source>finished picture</source>
        <translation>image finie</translation>
    </message>
    <message>
        <source>linear, full colour</source>
        <translation>linéaire, en couleur</translation>
    </message>
    <message>
        <source>pattern %1</source>
        <translation>motif %1</translation>
    </message>
    <message>
        <source>%1 %2
%3
%4 x %5 pixels, %6 bits, %7
%8</source>
        <translation>%1 %2
%3
%4 x %5 pixels, %6 bits, %7
%8</translation>
    </message>
</context>
<context>
    <name>irenic::TrialReadings</name>
    <message>
        <source>against the truth: %1 dB, SSIM %2</source>
        <translation>contre la vérité : %L1 dB, SSIM %L2</translation>
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
        <translation>Lu autour du milieu de l&apos;image, sur %1 x %1 pixels.
Reste : ce qui demeure de grain et de bruit de couleur sur les parties lisses.
Perte : combien d&apos;image est partie avec le bruit ; 0 pour rien.
Doute : combien du détail serait autre avec un autre bruit, et peut être inventé.
Dérive : de combien les couleurs moyennes ont bougé, CIEDE2000.
Proximité : ressemblance estimée à la même image sans bruit, dB ; plus c&apos;est haut, plus c&apos;est proche.
Vérité : ressemblance à l&apos;image propre, là où elle est accrochée en invitée (démonstration).
Temps : d&apos;un export de la vue, tel qu&apos;attendu.
Les barres de tous les bandeaux ont une même échelle ; celles de la proximité et de la vérité partent de l&apos;image non traitée.</translation>
    </message>
    <message>
        <source>
Smooth parts here hold %1 times the noise that the law tells of: nearness is less sure.</source>
        <translation>
Les parties lisses d&apos;ici ont %L1 fois le bruit que dit la loi : la proximité est moins sûre.</translation>
    </message>
    <message>
        <source>
Laid over the untreated picture at a mix of %1, this trial would come %2 dB nearer.</source>
        <translation>
Posé sur l&apos;image non traitée avec un mélange de %L1, cet essai serait plus proche de %L2 dB.</translation>
    </message>
    <message>
        <source>nearness: too little is left to tell</source>
        <translation>proximité : il reste trop peu pour le dire</translation>
    </message>
    <message>
        <source>nearness %1 ± %2 dB</source>
        <translation>proximité %L1 ± %L2 dB</translation>
    </message>
    <message>
        <source> nearest</source>
        <translation> le plus proche</translation>
    </message>
    <message>
        <source> about level</source>
        <translation> à peu près égal</translation>
    </message>
    <message>
        <source> behind</source>
        <translation> derrière</translation>
    </message>
    <message>
        <source>%1 / %2</source>
        <translation>%L1 / %L2</translation>
    </message>
    <message>
        <source>  left %1 / %2 %</source>
        <translation>  reste %L1 / %L2 %</translation>
    </message>
    <message>
        <source>  lost %1</source>
        <translation>  perte %L1</translation>
    </message>
    <message>
        <source>  true %1 dB</source>
        <translation>  vrai %L1 dB</translation>
    </message>
    <message>
        <source>left: grain %1 %, colour %2 %</source>
        <translation>reste : grain %L1 %, couleur %L2 %</translation>
    </message>
    <message>
        <source>left: nothing smooth here to tell</source>
        <translation>reste : rien d&apos;assez lisse ici</translation>
    </message>
    <message>
        <source>
detail lost %1   drift %2</source>
        <translation>
perte %L1   dérive %L2</translation>
    </message>
    <message>
        <source>   doubt %1 %</source>
        <translation>   doute %L1 %</translation>
    </message>
    <message>
        <source>   halos %1 %</source>
        <translation>   liserés %L1 %</translation>
    </message>
    <message>
        <source>left</source>
        <translation>reste</translation>
    </message>
    <message>
        <source>%1 / %2 %</source>
        <translation>%L1 / %L2 %</translation>
    </message>
    <message>
        <source>nothing smooth (F5: frame)</source>
        <translation>rien de lisse (F5 : vue)</translation>
    </message>
    <message>
        <source>lost</source>
        <translation>perte</translation>
    </message>
    <message>
        <source>doubt</source>
        <translation>doute</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>cannot be told here</source>
        <translation>ne peut se dire ici</translation>
    </message>
    <message>
        <source>drift</source>
        <translation>dérive</translation>
    </message>
    <message>
        <source>halos</source>
        <translation>liserés</translation>
    </message>
    <message>
        <source>nothing is sharpened</source>
        <translation>rien n&apos;est accentué</translation>
    </message>
    <message>
        <source>nearness</source>
        <translation>proximité</translation>
    </message>
    <message>
        <source>too little is left to tell</source>
        <translation>il reste trop peu pour le dire</translation>
    </message>
    <message>
        <source>truth</source>
        <translation>vérité</translation>
    </message>
    <message>
        <source>%1 dB</source>
        <translation>%L1 dB</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>calcul</translation>
    </message>
    <message>
        <source>time</source>
        <translation>temps</translation>
    </message>
</context>
<context>
    <name>irenic::Walker</name>
    <message>
        <source>has too many directories inside each other</source>
        <translation>a trop de répertoires l&apos;un dans l&apos;autre</translation>
    </message>
    <message>
        <source>has directories that point at each other in a loop</source>
        <translation>a des répertoires qui se désignent en boucle</translation>
    </message>
    <message>
        <source>ends before its directory</source>
        <translation>finit avant son répertoire</translation>
    </message>
    <message>
        <source>has a directory with an impossible number of entries</source>
        <translation>a un répertoire au nombre d&apos;entrées impossible</translation>
    </message>
    <message>
        <source>ends inside its directory</source>
        <translation>finit dans son répertoire</translation>
    </message>
    <message>
        <source>has entries that claim more than the whole file</source>
        <translation>a des entrées qui réclament plus que tout le fichier</translation>
    </message>
    <message>
        <source>has entries that point beyond its end; it is cut off or damaged</source>
        <translation>a des entrées qui désignent au-delà de sa fin ; il est tronqué ou endommagé</translation>
    </message>
    <message>
        <source>points at a directory by a number that is no offset</source>
        <translation>désigne un répertoire par un nombre qui n&apos;est pas une place</translation>
    </message>
</context>
<context>
    <name>irenic::Wall</name>
    <message>
        <source>Further columns of the wall</source>
        <translation>Autres colonnes du mur</translation>
    </message>
    <message>
        <source>Picture, %1, row %2</source>
        <translation>Image, %1, rangée %2</translation>
    </message>
    <message>
        <source>computing</source>
        <translation>calcul</translation>
    </message>
    <message>
        <source>measuring its noise</source>
        <translation>mesure de son bruit</translation>
    </message>
    <message>
        <source>reading</source>
        <translation>lecture</translation>
    </message>
    <message>
        <source>%1   %2</source>
        <translation>%1   %2</translation>
    </message>
    <message>
        <source>Untreated</source>
        <translation>Non traitée</translation>
    </message>
    <message>
        <source>Guest %1</source>
        <translation>Invité %1</translation>
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
        <translation>Les poids appris dans %1 sont inutilisables : %2. D&apos;autres méthodes s&apos;en passent.</translation>
    </message>
    <message>
        <source>The learned weights are not there (%1); building Irenic puts them there. Other methods work without them.</source>
        <translation>Les poids appris ne sont pas là (%1) ; construire Irenic les y met. D&apos;autres méthodes s&apos;en passent.</translation>
    </message>
    <message>
        <source>it is no such file</source>
        <translation>ce n&apos;est pas un tel fichier</translation>
    </message>
    <message>
        <source>The learned weights in %1 are of another version of Irenic. Other methods work without them.</source>
        <translation>Les poids appris dans %1 sont d&apos;une autre version d&apos;Irenic. D&apos;autres méthodes s&apos;en passent.</translation>
    </message>
    <message>
        <source>it tells of a network that cannot be</source>
        <translation>il décrit un réseau impossible</translation>
    </message>
    <message>
        <source>it is not as long as it should be</source>
        <translation>il n&apos;a pas la longueur voulue</translation>
    </message>
    <message>
        <source>its check sum is wrong</source>
        <translation>sa somme de contrôle est fausse</translation>
    </message>
    <message>
        <source>it holds what is no number</source>
        <translation>il contient ce qui n&apos;est pas un nombre</translation>
    </message>
    <message>
        <source>they are those of another network</source>
        <translation>ce sont ceux d&apos;un autre réseau</translation>
    </message>
</context>
<context>
    <name>std</name>
    <message>
        <source>luminance</source>
        <translation>luminance</translation>
    </message>
    <message>
        <source>How much brightness noise to remove, as a multiple of what was measured</source>
        <translation>Combien de bruit de luminosité enlever, en multiple de ce qui fut mesuré</translation>
    </message>
    <message>
        <source>colour</source>
        <translation>couleur</translation>
    </message>
    <message>
        <source>How much colour noise to remove, as a multiple of what was measured</source>
        <translation>Combien de bruit de couleur enlever, en multiple de ce qui fut mesuré</translation>
    </message>
    <message>
        <source>detail</source>
        <translation>détail</translation>
    </message>
    <message>
        <source>Gives structure back that the method took along with the noise</source>
        <translation>Rend la structure que la méthode a prise avec le bruit</translation>
    </message>
    <message>
        <source>grain kept</source>
        <translation>grain gardé</translation>
    </message>
    <message>
        <source>Leaves this share of the luminance noise as fine, even, neutral grain</source>
        <translation>Laisse cette part du bruit de luminance en grain fin, régulier et neutre</translation>
    </message>
    <message>
        <source>mix</source>
        <translation>mélange</translation>
    </message>
    <message>
        <source>How much of the treated picture is laid over the untreated one</source>
        <translation>Combien de l&apos;image traitée est posé sur l&apos;image non traitée</translation>
    </message>
    <message>
        <source>shadows</source>
        <translation>ombres</translation>
    </message>
    <message>
        <source>Luminance strength in the shadows, as a factor</source>
        <translation>Force sur la luminance dans les ombres, en facteur</translation>
    </message>
    <message>
        <source>mid-tones</source>
        <translation>tons moyens</translation>
    </message>
    <message>
        <source>Luminance strength in the mid-tones, as a factor</source>
        <translation>Force sur la luminance dans les tons moyens, en facteur</translation>
    </message>
    <message>
        <source>lights</source>
        <translation>lumières</translation>
    </message>
    <message>
        <source>Luminance strength in the lights, as a factor</source>
        <translation>Force sur la luminance dans les lumières, en facteur</translation>
    </message>
    <message>
        <source>Colour strength in the shadows, as a factor</source>
        <translation>Force sur la couleur dans les ombres, en facteur</translation>
    </message>
    <message>
        <source>Colour strength in the mid-tones, as a factor</source>
        <translation>Force sur la couleur dans les tons moyens, en facteur</translation>
    </message>
    <message>
        <source>Colour strength in the lights, as a factor</source>
        <translation>Force sur la couleur dans les lumières, en facteur</translation>
    </message>
    <message>
        <source>blotches</source>
        <translation>taches</translation>
    </message>
    <message>
        <source>Evens large blotches of colour in deep shadow</source>
        <translation>Égalise les grandes taches de couleur dans les ombres profondes</translation>
    </message>
    <message>
        <source>sharpen</source>
        <translation>accentuer</translation>
    </message>
    <message>
        <source>Amount of capture sharpening: deconvolution of luminance, after the noise is gone</source>
        <translation>Quantité d&apos;accentuation : déconvolution de la luminance, une fois le bruit parti</translation>
    </message>
    <message>
        <source>radius</source>
        <translation>rayon</translation>
    </message>
    <message>
        <source>Sigma of the blur that sharpening undoes, in pixels</source>
        <translation>Sigma du flou que l&apos;accentuation défait, en pixels</translation>
    </message>
    <message>
        <source>spare smooth</source>
        <translation>épargner le lisse</translation>
    </message>
    <message>
        <source>Keeps smooth parts, and the noise in them, from being sharpened</source>
        <translation>Garde les parties lisses, et leur bruit, de l&apos;accentuation</translation>
    </message>
    <message>
        <source>spare edges</source>
        <translation>épargner les bords</translation>
    </message>
    <message>
        <source>Keeps strong edges from getting halos</source>
        <translation>Garde les contours forts des liserés</translation>
    </message>
    <message>
        <source>JPEG blocks</source>
        <translation>blocs JPEG</translation>
    </message>
    <message>
        <source>Softens the blocks and rings of a compressed JPEG before the method looks at it</source>
        <translation>Adoucit les blocs et les anneaux d&apos;un JPEG comprimé avant que la méthode le regarde</translation>
    </message>
    <message>
        <source>exposure</source>
        <translation>exposition</translation>
    </message>
    <message>
        <source>Exposure, in EV</source>
        <translation>Exposition, en EV</translation>
    </message>
    <message>
        <source>Lifts dark parts by up to two stops, or lowers them</source>
        <translation>Relève les parties sombres de deux diaphragmes au plus, ou les abaisse</translation>
    </message>
    <message>
        <source>contrast</source>
        <translation>contraste</translation>
    </message>
    <message>
        <source>Contrast about mid grey; black and white stay</source>
        <translation>Contraste autour du gris moyen ; le noir et le blanc restent</translation>
    </message>
    <message>
        <source>local contrast</source>
        <translation>contraste local</translation>
    </message>
    <message>
        <source>Contrast against the surroundings</source>
        <translation>Contraste avec les alentours</translation>
    </message>
    <message>
        <source>Luminance strength inside the region</source>
        <translation>Force sur la luminance dans la région</translation>
    </message>
    <message>
        <source>Colour strength inside the region</source>
        <translation>Force sur la couleur dans la région</translation>
    </message>
    <message>
        <source>Detail given back inside the region</source>
        <translation>Détail rendu dans la région</translation>
    </message>
    <message>
        <source>Grain kept inside the region</source>
        <translation>Grain gardé dans la région</translation>
    </message>
    <message>
        <source>Sharpening inside the region</source>
        <translation>Accentuation dans la région</translation>
    </message>
    <message>
        <source>feather</source>
        <translation>bord doux</translation>
    </message>
    <message>
        <source>Softens the region&apos;s border, in pixels</source>
        <translation>Adoucit le bord de la région, en pixels</translation>
    </message>
    <message>
        <source>follow edges</source>
        <translation>suivre les bords</translation>
    </message>
    <message>
        <source>Draws the region&apos;s border to edges of the picture</source>
        <translation>Attire le bord de la région vers les contours de l&apos;image</translation>
    </message>
    <message>
        <source>scaled to %1 %</source>
        <translation>mis à l&apos;échelle de %1 %</translation>
    </message>
    <message>
        <source>laid at %1, %2</source>
        <translation>posé à %1, %2</translation>
    </message>
    <message>
        <source>moved by %1, %2</source>
        <translation>déplacé de %1, %2</translation>
    </message>
    <message>
        <source>red x %1, blue x %2</source>
        <translation>rouge x %1, bleu x %2</translation>
    </message>
    <message>
        <source>Nothing had to be matched.</source>
        <translation>Rien n&apos;était à ajuster.</translation>
    </message>
    <message>
        <source>To match for viewing: %1.</source>
        <translation>Ajusté pour regarder : %1.</translation>
    </message>
    <message>
        <source>Nearness can be estimated of raw frames alone: what was done to the noise of a finished picture is not known.</source>
        <translation>La proximité ne peut être estimée que pour des vues raw : ce qu&apos;il advint du bruit d&apos;une image finie n&apos;est pas connu.</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated here: the noise is hardly more than guessed.</source>
        <translation>La proximité ne peut être estimée ici : le bruit n&apos;est guère plus que deviné.</translation>
    </message>
    <message>
        <source>It is %1 times what the file says of its camera; the measurement is used.</source>
        <translation>C&apos;est %1 fois ce que le fichier dit de son appareil ; la mesure sert.</translation>
    </message>
    <message>
        <source>The file says %1 times as much of its camera; the measurement is used.</source>
        <translation>Le fichier en dit %1 fois autant de son appareil ; la mesure sert.</translation>
    </message>
    <message>
        <source>What the file says of its camera agrees.</source>
        <translation>Ce que le fichier dit de son appareil s&apos;accorde.</translation>
    </message>
    <message>
        <source>Every part of the frame is clipped or black; there is nothing to measure noise by.</source>
        <translation>Chaque partie de la vue est écrêtée ou noire ; il n&apos;y a rien pour mesurer le bruit.</translation>
    </message>
    <message>
        <source>Smooth areas of many tones pin the noise down well.</source>
        <translation>Des parties lisses de nombreux tons fixent bien le bruit.</translation>
    </message>
    <message>
        <source>Few smooth areas; the noise is measured to within about a fifth.</source>
        <translation>Peu de parties lisses ; le bruit est mesuré à un cinquième près environ.</translation>
    </message>
    <message>
        <source>Hardly any smooth areas; the measured noise is a guess from the texture&apos;s floor.</source>
        <translation>Presque pas de parties lisses ; le bruit mesuré est deviné d&apos;après le fond de la texture.</translation>
    </message>
    <message>
        <source>The file is a finished picture, whose noise is blurred and bent by what was done to it: the raw file would do better.</source>
        <translation>Le fichier est une image finie, dont le bruit fut brouillé et déformé par le traitement : le fichier raw ferait mieux.</translation>
    </message>
    <message>
        <source>Doubt can be told of raw frames alone: what was done to the noise of a finished picture is not known.</source>
        <translation>Le doute ne peut être dit que pour des vues raw : ce qu&apos;il advint du bruit d&apos;une image finie n&apos;est pas connu.</translation>
    </message>
    <message>
        <source>its sensor pattern</source>
        <translation>son motif de capteur</translation>
    </message>
    <message>
        <source>its active area</source>
        <translation>sa zone active</translation>
    </message>
    <message>
        <source>its crop</source>
        <translation>son cadrage</translation>
    </message>
    <message>
        <source>its orientation</source>
        <translation>son orientation</translation>
    </message>
    <message>
        <source>its black and white levels</source>
        <translation>ses niveaux de noir et de blanc</translation>
    </message>
    <message>
        <source>its white balance</source>
        <translation>sa balance des blancs</translation>
    </message>
    <message>
        <source>its colour matrices</source>
        <translation>ses matrices de couleur</translation>
    </message>
    <message>
        <source>its baseline exposure</source>
        <translation>son exposition de base</translation>
    </message>
    <message>
        <source>is compressed in a way that this version does not read (TIFF compression %1)</source>
        <translation>est comprimé d&apos;une façon que cette version ne lit pas (compression TIFF %1)</translation>
    </message>
    <message>
        <source>stores %1 bits a float; 16, 24 and 32 are read</source>
        <translation>garde %1 bits par flottant ; 16, 24 et 32 sont lus</translation>
    </message>
    <message>
        <source>stores %1 bits a sample; 8 to 32 are read</source>
        <translation>garde %1 bits par échantillon ; 8 à 32 sont lus</translation>
    </message>
    <message>
        <source>is compressed with a predictor that does not fit its samples (TIFF predictor %1)</source>
        <translation>est comprimé avec un prédicteur qui ne va pas à ses échantillons (prédicteur TIFF %1)</translation>
    </message>
    <message>
        <source>claims a JPEG of samples that no JPEG holds</source>
        <translation>prétend à un JPEG d&apos;échantillons qu&apos;aucun JPEG ne contient</translation>
    </message>
    <message>
        <source>claims a lossy JPEG of samples that none holds</source>
        <translation>prétend à un JPEG avec perte d&apos;échantillons qu&apos;aucun ne contient</translation>
    </message>
    <message>
        <source>%1 is estimated to come nearest to the picture without noise (%2).</source>
        <translation>%1 s&apos;approche le plus de l&apos;image sans bruit, selon l&apos;estimation (%2).</translation>
    </message>
    <message>
        <source>%1 is the quickest of those that are estimated to come within 0.1 dB of the nearest (%2).</source>
        <translation>%1 est le plus rapide de ceux que l&apos;estimation place à 0,1 dB au plus du plus proche (%2).</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.</source>
        <translation>La proximité ne peut pas être estimée pour des couleurs complètes dont les valeurs du capteur ont disparu : on ne sait pas assez bien ce que le dématriçage a fait de leur bruit.</translation>
    </message>
    <message>
        <source>Doubt cannot be told of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.</source>
        <translation>Le doute ne peut pas être indiqué pour des couleurs complètes dont les valeurs du capteur ont disparu : on ne sait pas assez bien ce que le dématriçage a fait de leur bruit.</translation>
    </message>
    <message>
        <source>Nearness cannot be estimated here: neighbours share what little noise there is.</source>
        <translation>La proximité ne peut pas être estimée ici : les voisins partagent le peu de bruit qu’il y a.</translation>
    </message>
</context>
</TS>
