// SPDX-License-Identifier: GPL-3.0-or-later
// The shed door open on the creek at dusk: first stars, a string of small lamps, masts against the last light, and their reflections.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 8 }
#include "shed.inc"

camera { location <-1.5, 3.2, -15> right x*3/2 up y look_at <0.6, 4.0, 10> angle 58 }
light_source { <-8.5, 8.2, -7> Lamplight*0.62 area_light x*1.5, y*1.5, 9, 9 adaptive 1 circular orient fade_distance 8 fade_power 2 }
light_source { <6, 40, 90> Dusk*0.16 area_light x*30, y*20, 9, 9 adaptive 1 circular orient }
light_source { <0, 4, -20> Lamplight*0.010 shadowless }

#declare R = seed(31);
// ---------------------------------------------------------------- sky: a smooth gradient down to a warm horizon
sphere { <0, 0, 0>, 400 hollow
  pigment { gradient y color_map {
    [0.000 rgb <0.300, 0.150, 0.060>] [0.020 rgb <0.250, 0.150, 0.085>] [0.055 rgb <0.125, 0.115, 0.120>]
    [0.14 rgb <0.046, 0.066, 0.112>] [0.35 rgb <0.013, 0.024, 0.058>] [1 rgb <0.004, 0.007, 0.022>] } scale 400 }
  finish { ambient 0 emission 1 diffuse 0 } }
#declare S = 0;
union {
  #while (S < 420)
    #declare Az = (rand(R) - 0.5)*1.5; #declare El = 0.10 + 0.62*rand(R);
    #declare Bright = pow(rand(R), 4);
    sphere { 390*<sin(Az)*cos(El), sin(El), cos(Az)*cos(El)>, 0.055 + 0.14*Bright
      pigment { rgb 1 } finish { ambient 0 diffuse 0 emission <0.80 + 0.2*rand(R), 0.85, 0.75 + 0.25*rand(R)>*(0.10 + 1.0*Bright)*min(1, El*2.2) } }
    #declare S = S + 1;
  #end
}
// ---------------------------------------------------------------- the far bank and the water
#declare X = -160;
union {
  #while (X < 170)
    #declare H = 1.0 + rand(R)*2.0 + 1.6*sin(X*0.05);
    sphere { <X, 0.1, 150>, 4 scale <1, 0.25*max(0.5, H), 1> translate y*0.2 }
    #declare X = X + 2.2;
  #end
  pigment { rgb <0.006, 0.008, 0.009> } finish { ambient 0 diffuse 0.5 } }
plane { y, -1.2
  pigment { rgb <0.006, 0.009, 0.012> }
  normal { average normal_map { [1 bumps 0.16 scale <5, 1, 1.6>] [1 bumps 0.10 scale <1.3, 1, 0.5>] [1 waves 0.05 scale 9 translate <40, 0, 60>] } }
  finish { ambient 0 diffuse 0.5 specular 0.3 roughness 0.01 reflection { 0.25, 0.85 } } }
// ---------------------------------------------------------------- two boats at their moorings, and a jetty
#macro Boat(P, S, Turn)
  union {
    difference { sphere { 0, 1 scale <6.2, 1.7, 1.5> } box { <-8, 0.35, -3>, <8, 4, 3> } pigment { rgb <0.035, 0.030, 0.028> } }
    box { <-1.6, 0.2, -0.8>, <1.4, 1.0, 0.8> pigment { rgb <0.05, 0.045, 0.04> } }
    cylinder { <0.7, 0, 0>, <0.7, 12.5, 0>, 0.11 pigment { rgb <0.05, 0.04, 0.03> } }
    cylinder { <-3.3, 0, 0>, <-3.3, 8.4, 0>, 0.09 pigment { rgb <0.05, 0.04, 0.03> } }
    cylinder { <0.7, 1.7, 0>, <-2.9, 2.0, 0>, 0.16 pigment { rgb <0.12, 0.11, 0.10> } }
    #local K = 0;
    #while (K < 3)
      cylinder { <0.7, 12.3, 0>, <5.9 - K*1.6, 0.4, 0>, 0.022 pigment { rgb 0.02 } }
      cylinder { <0.7, 12.0, 0>, <0.4 - K*0.5, 0.4, 1.3*(mod(K, 2)*2 - 1)>, 0.020 pigment { rgb 0.02 } }
      cylinder { <-3.3, 8.3, 0>, <-5.7 + K, 0.4, 0>, 0.020 pigment { rgb 0.02 } }
      #local K = K + 1;
    #end
    sphere { <-1.0, 1.3, -0.7>, 0.10 pigment { rgb 1 } finish { ambient 0 diffuse 0 emission <1, 0.66, 0.28>*1.2 } }
    finish { ambient 0 diffuse 0.7 } scale S rotate y*Turn translate P }
#end
Boat(<-7, -1.15, 46>, 1.5, 18)
Boat(<13, -1.15, 78>, 1.7, -25)
Boat(<32, -1.15, 110>, 1.6, 8)
box { <3.0, -0.85, 4>, <5.4, -0.65, 38> Wood(21, 0.55) rotate y*4 }
#declare Z = 5;
#while (Z < 38)
  cylinder { <3.1, -3, Z>, <3.1, 0.5, Z>, 0.16 Wood(Z, 0.4) rotate y*4 }
  cylinder { <5.3, -3, Z>, <5.3, 0.5, Z>, 0.16 Wood(Z + 1, 0.4) rotate y*4 }
  #declare Z = Z + 4.2;
#end
// ---------------------------------------------------------------- the shed around the opening
#declare Row = 0;
#while (Row < 14)
  #declare N = Row*9;
  box { <-22, -1.4 + Row*1.05 + 0.012, 0>, <-7.2, -1.4 + Row*1.05 + 1.035, 0.35> Wood(N + 100, 0.75 + rand(R)*0.4) }
  box { <8.2, -1.4 + Row*1.05 + 0.012, 0>, <24, -1.4 + Row*1.05 + 1.035, 0.35> Wood(N + 200, 0.75 + rand(R)*0.4) }
  #if (-1.4 + Row*1.05 > 9.0) box { <-7.2, -1.4 + Row*1.05 + 0.012, 0>, <8.2, -1.4 + Row*1.05 + 1.035, 0.35> Wood(N + 300, 0.75 + rand(R)*0.3) } #end
  #declare Row = Row + 1;
#end
box { <-7.8, -1.2, -0.3>, <-7.1, 9.4, 0.5> Wood(401, 0.9) }
box { <8.1, -1.2, -0.3>, <8.8, 9.4, 0.5> Wood(402, 0.9) }
box { <-8.2, 9.1, -0.45>, <9.2, 9.9, 0.5> Wood(403, 0.9) }
// The door, pushed aside on its rail, with a ring bolt and a notice.
union {
  #declare K = 0;
  #while (K < 8)
    box { <0, 0, 0>, <10.2, 0.98, 0.18> Wood(K + 420, 0.62 + 0.3*rand(R)) rotate z*90 translate <8.0 - K, -1.1, -0.8> }
    #declare K = K + 1;
  #end
  box { <0.2, 0.6, -0.98>, <7.9, 1.4, -0.8> Wood(441, 0.9) }
  box { <0.2, 6.6, -0.98>, <7.9, 7.4, -0.8> Wood(442, 0.9) }
  torus { 0.35, 0.06 rotate x*90 translate <1.0, 3.4, -1.0> texture { Iron } }
  translate x*7.0
}
box { <-20, 9.0, -0.75>, <22, 9.14, -0.6> texture { Iron } }
#declare Row = 0;
#while (Row < 16)
  box { <-24, -1.6, -16 + Row + 0.01>, <26, -1.1 - 0.03*rand(R), -16 + Row + 0.985> Wood(Row*3 + 500, 0.62 + rand(R)*0.4) }
  #declare Row = Row + 1;
#end
// ---------------------------------------------------------------- the string of small lamps, along the lintel and down the frame
#declare L = 0;
#while (L < 27)
  #declare F = L/26;
  #declare Lx = -10.5 + 21*F; #declare Ly = 8.7 - 1.1*abs(sin(F*pi*3));
  sphere { <Lx, Ly, -1.5>, 0.060 pigment { rgb 1 } finish { ambient 0 diffuse 0 emission <1.0, 0.72, 0.36>*(1.1 + 0.5*mod(L, 3)) } }
  light_source { <Lx, Ly, -1.6> Lamplight*0.020 fade_distance 0.8 fade_power 2 shadowless }
  #if (L > 0) cylinder { <Px, Py + 0.07, -1.5>, <Lx, Ly + 0.07, -1.5>, 0.015 pigment { rgb 0.02 } finish { ambient 0 diffuse 0.6 } } #end
  #declare Px = Lx; #declare Py = Ly;
  #declare L = L + 1;
#end
// ---------------------------------------------------------------- in the foreground: a mooring line, a bucket, a fender
union { RopeAlong(0.5, 1.25, -5.2, -0.95, -4.6, 4.4, 0.4, 0.14, 420, 12) texture { RopeTexture } }
cone { <-10.2, -1.1, -4.5>, 0.75, <-10.2, 0.6, -4.5>, 1.0 open pigment { gradient y color_map { [0 rgb <0.30,0.31,0.32>] [1 rgb <0.40,0.41,0.42>] } scale 2 translate y*-1.1 } finish { ambient 0 diffuse 0.6 specular 0.6 roughness 0.03 } }
torus { 1.0, 0.05 translate <-10.2, 0.6, -4.5> texture { Iron } }
sphere { <4.6, -0.35, -5.4>, 0.78 pigment { rgb <0.56, 0.12, 0.035> } finish { ambient 0 diffuse 0.8 specular 0.3 roughness 0.01 } }
