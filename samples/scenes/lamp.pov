// SPDX-License-Identifier: GPL-3.0-or-later
// Sailcloth hung to dry behind a brass lamp on the bench. An upright frame: the camera lies on its side, as a camera turned by hand
// does, and the file's orientation sets it right.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 9 }
#include "shed.inc"

camera { location <0.3, 3.6, -13.5> sky x right x*3/2 up y look_at <0.0, 3.3, 0> angle 46 }
// Orientation 6 means: turn a quarter clockwise to see it upright.
light_source { <0.0, 3.55, -2.2> Lamplight*0.80 area_light x*0.35, y*0.9, 5, 5 adaptive 1 circular orient fade_distance 3.2 fade_power 2 }
light_source { <-8, 9, -9> Lamplight*0.34 area_light x*2, y*2, 9, 9 adaptive 1 circular orient }
light_source { <9, 6, -8> Dusk*0.20 area_light x*3, z*3, 9, 9 adaptive 1 circular orient }

#declare R = seed(23);
#declare LampBrass = texture {
  pigment { granite scale 0.6 color_map { [0 rgb <0.78,0.52,0.15>] [0.7 rgb <0.86,0.60,0.20>] [0.92 rgb <0.46,0.32,0.11>] [1 rgb <0.20,0.22,0.14>] } }
  normal { bozo 0.03 scale <0.4, 0.01, 0.4> }
  finish { ambient 0 diffuse 0.38 specular 1.1 roughness 0.008 metallic reflection { 0.30 metallic } } }
// ---------------------------------------------------------------- sailcloth in folds, with a seam, a reef band and eyelets
#declare NU = 260; #declare NV = 160;
#declare Fold = function(u, v) { 0.55*sin(u*1.35 + 0.30*v) + 0.22*sin(u*3.3 - 0.22*v + 1) + 0.07*sin(u*8.3 + v*0.6) + 0.05*sin(v*2.2 + u*1.1) }
#macro SailPoint(I, J)
  #local U = I/NU*17 - 8.5; #local V = J/NV*15 - 4;
  <U + 0.12*sin(V*0.9), V, 1.6 + Fold(U, V)*(0.55 + 0.045*(11 - V))>
#end
#declare Weave = function(u, v) { sin(2*pi*u*34)*sin(2*pi*v*34) }
#declare Slub = function { pattern { bozo scale <0.02, 1.1, 0.02> } }
#declare Slub2 = function { pattern { bozo scale <1.3, 0.02, 0.02> } }
mesh2 {
  vertex_vectors { (NU + 1)*(NV + 1)
    #declare J = 0; #while (J <= NV) #declare I = 0; #while (I <= NU) , SailPoint(I, J) #declare I = I + 1; #end #declare J = J + 1; #end }
  uv_vectors { (NU + 1)*(NV + 1)
    #declare J = 0; #while (J <= NV) #declare I = 0; #while (I <= NU) , <I/NU*17, J/NV*15> #declare I = I + 1; #end #declare J = J + 1; #end }
  face_indices { NU*NV*2
    #declare J = 0; #while (J < NV) #declare I = 0; #while (I < NU)
      #declare A = J*(NU + 1) + I;
      , <A, A + 1, A + NU + 1>, <A + 1, A + NU + 2, A + NU + 1>
    #declare I = I + 1; #end #declare J = J + 1; #end }
  uv_mapping
  texture {
    pigment {
      function { 0.46 + 0.17*Weave(x, y) + 0.15*Slub(x, y, 0) + 0.15*Slub2(x, y, 0)
                 - 0.22*select(abs(x - 4.4) - 0.03, 1, 0) - 0.16*select(abs(x - 11.6) - 0.03, 1, 0) - 0.12*select(abs(y - 8.2) - 0.025, 1, 0) - 0.12*select(abs(y - 8.9) - 0.025, 1, 0) }
      color_map { [0 rgb <0.24,0.20,0.15>] [0.45 rgb <0.58,0.53,0.44>] [1 rgb <0.80,0.76,0.66>] }
    }
    normal { function { Weave(x, y) } 0.12 } // threads only: a slub in the normal costs four more looks at its pattern
    finish { ambient 0 diffuse 0.72 }
  }
}
#declare K = 0;
#while (K < 6)
  torus { 0.11, 0.035 rotate x*90 translate <-6.4 + K*2.5, 4.55, 1.35 + Fold(-6.4 + K*2.5, 4.55)*(0.55 + 0.045*6.4)> texture { Brass } }
  #declare K = K + 1;
#end
// ---------------------------------------------------------------- the bench
#declare Row = 0;
#while (Row < 8)
  box { <-12, -0.4, -7 + Row*1.2 + 0.015>, <12, 0.02*rand(R), -7 + Row*1.2 + 1.185> Wood(Row*7 + 40, 0.85 + rand(R)*0.3) }
  #declare Row = Row + 1;
#end
// ---------------------------------------------------------------- the lamp: base, tank, burner, chimney, flame, bail
union {
  sor { 17,
    <1.30, -0.2>, <1.30, 0.0>, <1.24, 0.14>, <0.86, 0.26>, <0.52, 0.44>, <0.40, 0.70>, <0.62, 0.92>, <0.98, 1.12>, <1.12, 1.45>, <0.98, 1.80>, <0.62, 2.02>, <0.46, 2.14>, <0.62, 2.28>, <0.66, 2.42>, <0.50, 2.52>, <0.30, 2.60>, <0.29, 2.70> }
  torus { 1.02, 0.045 translate y*1.72 }
  torus { 0.64, 0.04 translate y*2.30 }
  torus { 1.27, 0.05 translate y*0.07 }
  #declare K = 0;
  #while (K < 26)
    sphere { <0.64*cos(K*2*pi/26), 2.36, 0.64*sin(K*2*pi/26)>, 0.055 }
    #declare K = K + 1;
  #end
  cylinder { <0.66, 1.6, 0>, <1.45, 1.6, -0.3>, 0.04 }
  torus { 0.17, 0.04 rotate z*90 rotate y*20 translate <1.5, 1.6, -0.32> }
  sor { 8, <0.5, 5.45>, <0.50, 5.50>, <0.86, 5.62>, <0.92, 5.74>, <0.62, 5.98>, <0.40, 6.14>, <0.34, 6.30>, <0.33, 6.4> }
  #declare K = 0;
  #while (K < 4)
    cylinder { <0.84*cos(K*pi/2 + 0.6), 2.2, 0.84*sin(K*pi/2 + 0.6)>, <0.80*cos(K*pi/2 + 0.6), 5.66, 0.80*sin(K*pi/2 + 0.6)>, 0.032 }
    #declare K = K + 1;
  #end
  torus { 0.84, 0.032 translate y*3.9 }
  texture { LampBrass }
  translate <0, 0, -2.2>
}
difference {
  sor { 10, <0.44, 2.5>, <0.44, 2.56>, <0.56, 2.9>, <0.70, 3.4>, <0.66, 3.9>, <0.48, 4.4>, <0.40, 4.9>, <0.39, 5.3>, <0.39, 5.5>, <0.39, 5.6> }
  sor { 10, <0.41, 2.4>, <0.41, 2.56>, <0.53, 2.9>, <0.67, 3.4>, <0.63, 3.9>, <0.45, 4.4>, <0.37, 4.9>, <0.36, 5.3>, <0.36, 5.6>, <0.36, 5.8> }
  pigment { rgbt <0.97, 0.96, 0.92, 0.93> } finish { ambient 0 diffuse 0.03 specular 0.5 roughness 0.004 reflection { 0.02, 0.18 } }
  no_shadow translate <0, 0, -2.2>
}
sor { 9, <0.02, 2.60>, <0.05, 2.68>, <0.20, 2.86>, <0.235, 3.04>, <0.19, 3.26>, <0.115, 3.50>, <0.055, 3.72>, <0.014, 3.90>, <0.008, 3.98>
  pigment { gradient y color_map { [0 rgb <1.0,0.45,0.12>] [0.35 rgb <1.0,0.78,0.40>] [1 rgb <1.0,0.62,0.22>] } scale 0.9 translate y*2.75 }
  finish { ambient 0 diffuse 0 emission 2.4 } no_shadow translate <0, 0, -2.2> }
// ---------------------------------------------------------------- beside it: a palm, a needle case, thread, beeswax
cylinder { <-2.15, 0.02, -3.6>, <-2.15, 1.15, -3.6>, 0.42 pigment { function { 0.5 + 0.5*sin(2*pi*y*23 + 0.8*sin(atan2(x + 2.15, z + 3.6)*2)) } color_map { [0 rgb <0.14,0.03,0.02>] [1 rgb <0.44,0.10,0.06>] } } finish { ambient 0 diffuse 0.8 } }
cylinder { <-2.15, 1.15, -3.6>, <-2.15, 1.22, -3.6>, 0.52 Wood(61, 1.3) }
cylinder { <-2.15, 0.0, -3.6>, <-2.15, 0.07, -3.6>, 0.52 Wood(62, 1.3) }
superellipsoid { <0.3, 0.3> scale <0.55, 0.22, 0.38> rotate y*25 translate <1.9, 0.24, -4.4> pigment { bozo scale 0.3 color_map { [0 rgb <0.62,0.42,0.12>] [1 rgb <0.72,0.53,0.20>] } } finish { ambient 0 diffuse 0.8 specular 0.25 roughness 0.06 } }
cylinder { <0.2, 0.07, -5.0>, <1.7, 0.07, -5.6>, 0.035 texture { Iron } }
union { RopeAlong(0.3, 0.85, 2.3, 0.09, -2.2, 4, 0.3, 0.055, 360, 13) pigment { rgb <0.62, 0.55, 0.42> } finish { ambient 0 diffuse 0.85 } }
