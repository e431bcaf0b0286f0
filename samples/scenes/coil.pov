// SPDX-License-Identifier: GPL-3.0-or-later
// A coil of rope on the planking, by lamplight; a marlinspike, a mallet, shavings and sawdust.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 6 }
#include "shed.inc"

camera { location <-1.2, 8.2, -11.5> right x*3/2 up y look_at <0.7, 0.1, 0.5> angle 46 }
light_source { <-7.5, 7.0, 3.5> Lamplight*1.25 area_light x*1.2, z*1.2, 9, 9 adaptive 1 circular orient fade_distance 9 fade_power 2 }
light_source { <10, 9, -6> Dusk*0.13 area_light x*3, z*3, 9, 9 adaptive 1 circular orient }
light_source { <0, 12, -12> Lamplight*0.035 shadowless }

#declare R = seed(5);
// ---------------------------------------------------------------- planking, its planks along x
#declare Row = 0;
#while (Row < 22)
  #declare Off = -19 + rand(R)*5;
  #while (Off < 18)
    #declare Len = 6 + rand(R)*6;
    #declare Warp = rand(R)*0.05;
    box { <Off + 0.012, -0.4, Row*1.22 - 10 + 0.02>, <Off + Len - 0.012, Warp*0.5, Row*1.22 - 10 + 1.20> Wood(Row*11 + Off, 0.66 + rand(R)*0.46) }
    #declare K = 0;
    #while (K < 2)
      cylinder { <Off + 0.2, -0.1, Row*1.22 - 10 + 0.34 + K*0.56>, <Off + 0.2, Warp*0.5 + 0.012, Row*1.22 - 10 + 0.34 + K*0.56>, 0.05 texture { Iron } }
      cylinder { <Off + Len - 0.2, -0.1, Row*1.22 - 10 + 0.34 + K*0.56>, <Off + Len - 0.2, Warp*0.5 + 0.012, Row*1.22 - 10 + 0.34 + K*0.56>, 0.05 texture { Iron } }
      #declare K = K + 1;
    #end
    #declare Off = Off + Len;
  #end
  #declare Row = Row + 1;
#end
box { <-30, -0.6, -20>, <30, -0.3, 30> pigment { rgb 0.008 } finish { ambient 0 diffuse 1 } }

// ---------------------------------------------------------------- the coil, four layers, and its end
#declare Layer = 0;
#while (Layer < 4)
  union {
    RopeAlong(1.25 + 0.16*Layer, 3.35 - 0.22*Layer, 0.9, 0.27 + Layer*0.40, 1.2, 5.2 - 0.4*Layer, 0.05, 0.21, 900, 11)
    texture { RopeTexture } translate x*0.05*Layer rotate y*(40*Layer) translate <0.06*Layer, 0, 0.05*Layer> }
  #declare Layer = Layer + 1;
#end
union { Line3(<4.0, 0.30, 0.6>, <8.8, 0.24, -2.6>, 0, 0.21, 260) texture { RopeTexture } }
union { Line3(<-7.6, 0.22, -3.2>, <-3.9, 0.22, -4.6>, 0, 0.13, 200) texture { RopeTexture } }

// ---------------------------------------------------------------- tools
cone { <-4.6, 0.16, -2.6>, 0.16, <-1.2, 0.09, -4.4>, 0.015 texture { Iron } }
torus { 0.22, 0.06 rotate x*90 rotate y*30 translate <-4.72, 0.22, -2.54> texture { Brass } }
cylinder { <-6.4, 0.62, 2.2>, <-5.0, 0.62, 3.2>, 0.62 Wood(301, 0.9) }
cylinder { <-5.7, 0.62, 2.7>, <-3.6, 0.2, 0.2>, 0.15 Wood(302, 1.25) }
// A tin of red lead with a brush across it.
cylinder { <6.6, 0, 3.4>, <6.6, 1.7, 3.4>, 0.95 pigment { gradient y color_map { [0 rgb <0.23,0.22,0.21>] [0.62 rgb <0.23,0.22,0.21>] [0.62 rgb <0.45,0.06,0.025>] [1 rgb <0.45,0.06,0.025>] } scale 1.7 } finish { ambient 0 diffuse 0.6 specular 0.5 roughness 0.02 } }
cylinder { <6.6, 1.55, 3.4>, <6.6, 1.71, 3.4>, 0.90 pigment { rgb <0.50, 0.055, 0.02> } finish { ambient 0 diffuse 0.8 specular 0.6 roughness 0.01 } }
cylinder { <5.2, 1.80, 3.0>, <8.3, 1.86, 3.9>, 0.09 Wood(311, 1.3) }

// ---------------------------------------------------------------- shavings: thin curls of planed wood
#declare S = 0;
#while (S < 46)
  #declare Px = -9 + rand(R)*18; #declare Pz = -6 + rand(R)*13;
  #if (vlength(<Px - 0.9, 0, Pz - 1.2>) > 4.1)
    #declare Rad = 0.10 + rand(R)*0.17; #declare Wide = 0.18 + rand(R)*0.4; #declare Tone = 0.8 + rand(R)*0.5;
    difference {
      cylinder { <-Wide, 0, 0>, <Wide, 0, 0>, Rad }
      cylinder { <-Wide - 1, 0.012, 0>, <Wide + 1, 0.012, 0>, Rad - 0.006 }
      box { <-2, -2, 0.02>, <2, 0.3*Rad, 2> rotate x*rand(R)*40 }
      pigment { bozo scale <0.5, 0.02, 0.02> color_map { [0 rgb <0.60,0.40,0.20>*Tone] [1 rgb <0.80,0.60,0.34>*Tone] } }
      finish { ambient 0 diffuse 0.9 }
      rotate y*rand(R)*360 translate <Px, Rad + 0.03, Pz> }
  #end
  #declare S = S + 1;
#end
#declare S = 0;
union {
  #while (S < 5200)
    #declare Px = -10 + rand(R)*20; #declare Pz = -7 + rand(R)*15;
    box { -0.5, 0.5 scale <0.02 + rand(R)*0.05, 0.012, 0.012 + rand(R)*0.02> rotate <rand(R)*40, rand(R)*360, 0> translate <Px, 0.035, Pz> }
    #declare S = S + 1;
  #end
  pigment { rgb <0.72, 0.54, 0.30> } finish { ambient 0 diffuse 0.85 }
}
