// SPDX-License-Identifier: GPL-3.0-or-later
// The rafters of the shed, far above the lamp: beams, a block and tackle, lines, a pane of dusk. Photographed three stops under.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 6 }
#include "shed.inc"

camera { location <-3, -9, -19> right x*3/2 up y look_at <1.0, 4.2, 6> angle 52 }
light_source { <-9, -7.5, -6> Lamplight*0.72 area_light x*1.5, z*1.5, 9, 9 adaptive 1 circular orient fade_distance 16 fade_power 2 }
light_source { <13, 14, 14> Dusk*0.30 area_light x*2, y*2, 9, 9 adaptive 1 circular orient fade_distance 14 fade_power 2 }
light_source { <-2, -12, -20> Lamplight*0.012 shadowless }

#declare R = seed(17);
// ---------------------------------------------------------------- roof boards, sloping up to the ridge, on both sides
#macro Roof(Side)
  union {
    #local Row = 0;
    #while (Row < 26)
      #local Off = -26 + rand(R)*6;
      #while (Off < 30)
        #local Len = 7 + rand(R)*7;
        box { <Off + 0.01, 0, Row*0.92 + 0.012>, <Off + Len - 0.01, 0.12 - rand(R)*0.03, Row*0.92 + 0.90> Wood(Row*17 + Off + Side*400, 0.42 + rand(R)*0.26) }
        #local Off = Off + Len;
      #end
      #local Row = Row + 1;
    #end
    rotate y*90 scale <-Side, 1, 1> rotate z*(Side*-33) translate <0, 13.5, 0> }
#end
Roof(1)
Roof(-1)
// ---------------------------------------------------------------- rafters and purlins
#declare Z = -14;
#while (Z <= 26)
  #declare Side = -1;
  #while (Side <= 1)
    box { <0, -0.75, -0.22>, <17, 0, 0.22> Wood(Z*3 + Side*50, 0.62) scale <Side, 1, 1> rotate z*(Side*-33) translate <0, 13.4, Z> }
    #declare Side = Side + 2;
  #end
  box { <-12.5, 4.2, Z - 0.34>, <12.5, 5.15, Z + 0.34> Wood(Z*3 + 7, 0.70) }
  box { <-0.3, 5.1, Z - 0.28>, <0.3, 13, Z + 0.28> Wood(0, 0.6) rotate y*0 }
  // An iron strap with bolts at each joint.
  box { <-0.34, 4.1, Z - 0.37>, <0.34, 5.9, Z - 0.33> texture { Iron } }
  #declare K = 0;
  #while (K < 3)
    sphere { <0, 4.35 + K*0.6, Z - 0.39>, 0.085 texture { Iron } }
    #declare K = K + 1;
  #end
  #declare Z = Z + 8;
#end
box { <-9.5, 7.2, -20>, <-8.9, 7.8, 34> Wood(501, 0.6) rotate y*0 }
box { <8.9, 7.2, -20>, <9.5, 7.8, 34> Wood(502, 0.6) }
// ---------------------------------------------------------------- the gable, with a window on the dusk
difference {
  union {
    #declare Row = 0;
    #while (Row < 30)
      box { <-15, -10 + Row*0.95 + 0.012, 28>, <15, -10 + Row*0.95 + 0.935, 28.3> Wood(Row*5 + 600, 0.40 + rand(R)*0.25) }
      #declare Row = Row + 1;
    #end
  }
  box { <2.2, 5.2, 27>, <6.2, 9.4, 29> }
}
box { <1, 4, 28.6>, <8, 11, 28.7> pigment { gradient y color_map { [0 rgb <0.035,0.055,0.105>] [1 rgb <0.008,0.014,0.036>] } scale 6 translate y*4.5 } finish { ambient 0 emission 1 diffuse 0 } }
#declare K = 0;
#while (K < 3)
  box { <2.2 + K*2 - 0.1, 5.2, 27.9>, <2.2 + K*2 + 0.1, 9.4, 28.3> Wood(700 + K, 0.5) }
  box { <2.1, 5.2 + K*2.1 - 0.1, 27.9>, <6.3, 5.2 + K*2.1 + 0.1, 28.3> Wood(710 + K, 0.5) }
  #declare K = K + 1;
#end
// Side walls, low and dark.
#declare Row = 0;
#while (Row < 26)
  box { <-15.5, -12 + Row*1.0 + 0.01, -30>, <-15, -12 + Row*1.0 + 0.985, 29> Wood(Row*3 + 900, 0.35 + rand(R)*0.2) rotate y*0 }
  box { <15, -12 + Row*1.0 + 0.01, -30>, <15.5, -12 + Row*1.0 + 0.985, 29> Wood(Row*3 + 950, 0.35 + rand(R)*0.2) }
  #declare Row = Row + 1;
#end
// ---------------------------------------------------------------- a block and tackle
#macro Block(P, S)
  union {
    difference {
      superellipsoid { <0.55, 0.35> scale <0.62, 0.95, 0.36> }
      box { <-0.10, -2, -2>, <0.10, 2, 2> translate x*0 }
    }
    cylinder { <-0.5, 0, -0.39>, <-0.5, 0, -0.36>, 0 }
    Wood(801, 1.15) scale S rotate y*35 translate P }
  cylinder { P - <0, 0, 0.5>*S, P + <0, 0, 0.5>*S, 0.14*S texture { Iron } }
  torus { 0.2*S, 0.055*S rotate x*90 translate P + y*1.12*S texture { Iron } }
#end
Block(<3.6, 2.5, -6>, 1.0)
Block(<3.9, -2.4, -6>, 0.9)
union {
  Line3(<3.6, 4.3, -6>, <3.6, 3.7, -6>, 0, 0.09, 30)
  Line3(<3.35, 1.7, -6.1>, <3.65, -1.7, -6.1>, 0, 0.08, 120)
  Line3(<3.85, 1.7, -5.9>, <4.15, -1.7, -5.9>, 0, 0.08, 120)
  Line3(<3.9, 2.3, -6>, <9.6, -6.5, -9>, 0.5, 0.08, 300)
  Line3(<-11, 4.6, -6>, <-1, 4.6, 2>, 1.6, 0.10, 300)
  texture { RopeTexture }
}
// A spare oar and a rolled sail lie across the beams.
cylinder { <-8.5, 5.5, -8>, <-4.0, 5.5, 14>, 0.20 Wood(821, 1.1) }
cylinder { <-7.2, 5.75, -7>, <-2.6, 5.75, 11>, 0.62
  pigment { function { 0.5 + 0.5*sin(2*pi*z*9)*sin(2*pi*atan2(y - 5.75, x)*7) } color_map { [0 rgb <0.30,0.28,0.23>] [1 rgb <0.62,0.59,0.50>] } }
  normal { bozo 0.5 scale <1.2, 0.3, 1.2> } finish { ambient 0 diffuse 0.85 } }
