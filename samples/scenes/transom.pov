// SPDX-License-Identifier: GPL-3.0-or-later
// The transom of the ketch "Halcyon Wren" at night in the Tarn Street boatshed, by lamplight.
// One frame with fine texture, a smooth gradient, deep shadow, hard edges, lettering, strong colour
// and points of light. Procedural textures only: nothing here is sampled at random per pixel, so the
// rendered frame carries no noise of its own. One unit is about 10 cm. See samples/render.sh.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 6 }
#include "functions.inc"

#declare Lamplight = rgb <1.00, 0.62, 0.30>;
#declare Dusk = rgb <0.20, 0.34, 0.62>;

camera {
  location <0.5, 3.4, -17>
  right x * 3/2
  up y
  look_at <0.1, 2.85, 0>
  angle 50
}
light_source { <-6.0, 9.5, -8.5> Lamplight * 1.15
  area_light x*1.4, y*1.4, 9, 9 adaptive 1 circular orient fade_distance 11 fade_power 2 }
light_source { <9.5, 7.0, -7.0> Dusk * 0.16
  area_light x*3, z*3, 9, 9 adaptive 1 circular orient }
light_source { <2, 5, -17> Lamplight * 0.030 shadowless }

// ---------------------------------------------------------------- planking
#declare Grain = function { pattern { wood turbulence 0.06 octaves 4 scale <9, 0.32, 0.32> rotate z*1.2 } }
#declare Fibre = function { pattern { bozo scale <1.1, 0.018, 0.018> } }
#declare Pores = function { pattern { granite scale <0.55, 0.030, 0.030> } }
#macro PlankTexture(N, Tone)
  texture {
    pigment {
      function { 0.50*Grain(x + N*7.3, y*1.0 + N*0.71, z + N*3.1) + 0.32*Fibre(x + N*5, y, z) + 0.18*Pores(x, y + N, z) }
      color_map {
        [0.00 rgb <0.090, 0.036, 0.012> * Tone]
        [0.30 rgb <0.300, 0.135, 0.046> * Tone]
        [0.60 rgb <0.430, 0.215, 0.080> * Tone]
        [1.00 rgb <0.580, 0.330, 0.140> * Tone]
      }
    }
    normal { function { 0.6*Fibre(x + N*5, y, z) + 0.4*Pores(x, y + N, z) } 0.22 }
    finish { ambient 0 diffuse 0.82 specular 0.18 roughness 0.03 }
  }
#end
#declare R = seed(11);
#declare Row = 0;
#while (Row < 12)
  #declare Off = -13 + rand(R)*3;
  #while (Off < 11)
    #declare Len = 4.2 + rand(R)*3.4;
    object {
      box { <Off + 0.012, Row*0.86 - 1.3 + 0.018, -0.02 - rand(R)*0.03>, <Off + Len - 0.012, Row*0.86 - 1.3 + 0.842, 0.4> }
      PlankTexture(Row*13 + Off, 0.72 + rand(R)*0.42)
    }
    // Bronze fastenings at each butt.
    #declare K = 0;
    #while (K < 2)
      cylinder { <Off + 0.16, Row*0.86 - 1.3 + 0.22 + K*0.42, -0.066>, <Off + 0.16, Row*0.86 - 1.3 + 0.22 + K*0.42, 0.1>, 0.045
        pigment { rgb <0.42, 0.30, 0.13> } finish { ambient 0 diffuse 0.5 specular 0.9 roughness 0.02 metallic } }
      #declare K = K + 1;
    #end
    #declare Off = Off + Len;
  #end
  #declare Row = Row + 1;
#end
box { <-12, -3, 0.3>, <12, 12, 0.6> pigment { rgb 0.010 } finish { ambient 0 diffuse 1 } }   // caulking

// ---------------------------------------------------------------- lettering, gold with a dark edge
#macro Line(Txt, Font, Size, Px, Py)
  #local Face = text { ttf Font Txt 0.05, <0.03, 0> }
  #local W = max_extent(Face).x*Size;
  object { Face scale <Size, Size, 1> translate <Px - W/2, Py, -0.095>
    pigment { granite scale 0.25 color_map { [0 rgb <0.80,0.56,0.16>] [0.6 rgb <0.86,0.63,0.20>] [0.75 rgb <0.55,0.34,0.10>] [1 rgb <0.84,0.60,0.18>] } }
    finish { ambient 0 diffuse 0.85 specular 0.25 roughness 0.05 } }
  object { Face scale <Size, Size, 1> translate <Px - W/2 + 0.035, Py - 0.035, -0.075>
    pigment { rgb <0.035, 0.012, 0.010> } finish { ambient 0 diffuse 0.8 } }
#end
Line("HALCYON", "timrom.ttf", 1.75, -1.35, 5.25)
Line("WREN", "timrom.ttf", 1.45, -1.35, 3.85)
Line("TARN STREET BOATSHED", "cyrvetic.ttf", 0.30, -1.35, 3.30)
Line("draught 1.4 m   built of larch on oak   do not lift by the rail", "cyrvetic.ttf", 0.13, -1.35, 3.05)

// ---------------------------------------------------------------- a three-strand rope, coiled on a peg
#macro Strand(Radius, Cx, Cy, Cz, Sx, Sy, Turns, Phase, Thick, Steps, Tone)
  #local I = 0;
  #local Last = <0,0,0>;
  #while (I <= Steps)
    #local T = I/Steps*2*pi;
    #local Tw = T*Turns + Phase;
    #local Rr = Radius + Thick*0.52*cos(Tw);
    #local P = <Cx + Sx*Rr*sin(T), Cy - Sy*Rr*cos(T), Cz + Thick*0.52*sin(Tw)>;
    #if (I > 0) cylinder { Last, P, Thick*0.5 } #end
    sphere { P, Thick*0.5 }
    #local Last = P;
    #local I = I + 1;
  #end
#end
#declare RopeTex = texture {
  pigment { bozo scale <0.03, 0.008, 0.03> rotate z*35 color_map { [0 rgb <0.40,0.29,0.15>] [0.5 rgb <0.60,0.47,0.28>] [1 rgb <0.74,0.61,0.40>] } }
  normal { bozo 0.7 scale <0.05, 0.010, 0.05> rotate z*35 }
  finish { ambient 0 diffuse 0.85 } }
#declare Ring = 0;
#while (Ring < 7)
  union {
    #declare Ph = 0;
    #while (Ph < 3)
      Strand(1.30 + 0.085*Ring - 0.02*rand(R), 5.3 + 0.05*rand(R), 2.55 - Ring*0.055, -0.28 - 0.16*mod(Ring, 2) - 0.04*rand(R), 0.80, 1.12, 17 + Ring, Ph*2*pi/3 + Ring, 0.115, 260, 1)
      #declare Ph = Ph + 1;
    #end
    texture { RopeTex }
  }
  #declare Ring = Ring + 1;
#end
cylinder { <5.3, 4.02, 0>, <5.3, 4.10, -0.95>, 0.11 PlankTexture(91, 1.2) }

// ---------------------------------------------------------------- the bench, with deep shadow under it
box { <-9, -0.62, -3.6>, <9, -0.40, -0.3> PlankTexture(55, 0.8) rotate x*0 }
box { <-9, -3.2, -3.4>, <9, -3.0, 0> PlankTexture(77, 0.25) }
#declare Legs = -8;
#while (Legs <= 8)
  box { <Legs, -3, -3.3>, <Legs + 0.35, -0.6, -2.9> PlankTexture(Legs + 31, 0.5) }
  #declare Legs = Legs + 4;
#end
torus { 0.55, 0.11 translate <-3.2, -2.88, -1.4> pigment { rgb <0.30,0.05,0.03> } finish { ambient 0 diffuse 0.8 } }
cylinder { <1.5, -3, -1.5>, <1.5, -1.7, -1.5>, 0.5 pigment { gradient y color_map { [0 rgb 0.30] [0.5 rgb 0.30] [0.5 rgb <0.1,0.2,0.3>] [1 rgb <0.1,0.2,0.3>] } scale 0.5 } finish { ambient 0 diffuse 0.8 } }

// ---------------------------------------------------------------- tartan blanket: twill cloth in folds
#declare Twill = function(u, v) { 0.5 + 0.5*sin(2*pi*(u + v)*42) }
#declare Stripe = pigment { gradient x color_map {
    [0.00 rgb <0.42,0.022,0.030>] [0.30 rgb <0.42,0.022,0.030>] [0.30 rgb <0.016,0.070,0.045>] [0.48 rgb <0.016,0.070,0.045>]
    [0.48 rgb <0.012,0.022,0.120>] [0.62 rgb <0.012,0.022,0.120>] [0.62 rgb <0.62,0.50,0.06>] [0.645 rgb <0.62,0.50,0.06>]
    [0.645 rgb <0.012,0.022,0.120>] [0.74 rgb <0.012,0.022,0.120>] [0.74 rgb <0.42,0.022,0.030>] [0.87 rgb <0.42,0.022,0.030>]
    [0.87 rgb <0.70,0.66,0.60>] [0.885 rgb <0.70,0.66,0.60>] [0.885 rgb <0.42,0.022,0.030>] [1 rgb <0.42,0.022,0.030>] } }
#declare Tartan = texture {
  pigment {
    function { select(Twill(x, y) - 0.5, 0, 1) }
    pigment_map { [0.0 Stripe scale 1.15] [1.0 Stripe scale 1.15 rotate z*90] }
  }
  normal { function { Twill(x, y)*0.6 + f_noise3d(x*60, y*60, z*60)*0.4 } 0.35 }
  finish { ambient 0 diffuse 0.9 }
}
#declare NU = 150; #declare NV = 110;
#declare Sheet = function(u, v) { 0.16*sin(u*3.1 + v*0.7) + 0.10*sin(u*7.3 - v*1.9 + 1) + 0.05*sin(v*5.1 + u*1.7) }
#macro Pt(I, J)
  #local U = I/NU*4.6; #local V = J/NV*3.6;
  #local D = max(0, V - 1.5);      // lies on the bench, then hangs over its edge
  <-7.9 + U + 0.10*sin(V*3), -0.26 - D*0.97 + Sheet(U, V)*(D > 0 ? 0.25 : 0.7), -2.25 - min(V, 1.5) - (D > 0 ? Sheet(U, V)*0.9 + 0.12 : 0.0)>
#end
mesh2 {
  vertex_vectors { (NU + 1)*(NV + 1)
    #declare J = 0; #while (J <= NV) #declare I = 0; #while (I <= NU) , Pt(I, J) #declare I = I + 1; #end #declare J = J + 1; #end }
  uv_vectors { (NU + 1)*(NV + 1)
    #declare J = 0; #while (J <= NV) #declare I = 0; #while (I <= NU) , <I/NU*4.6, J/NV*3.6> #declare I = I + 1; #end #declare J = J + 1; #end }
  face_indices { NU*NV*2
    #declare J = 0; #while (J < NV) #declare I = 0; #while (I < NU)
      #declare A = J*(NU + 1) + I;
      , <A, A + 1, A + NU + 1>, <A + 1, A + NU + 2, A + NU + 1>
    #declare I = I + 1; #end #declare J = J + 1; #end }
  uv_mapping texture { Tartan }
}

// ---------------------------------------------------------------- an enamelled float (smooth gradients) and a brass lamp
sphere { <-0.9, 0.55, -1.7>, 0.95 pigment { rgb <0.80, 0.78, 0.72> } finish { ambient 0 diffuse 0.85 specular 0.35 roughness 0.004 } }
torus { 0.955, 0.035 rotate x*12 translate <-0.9, 0.55, -1.7> pigment { rgb <0.40, 0.03, 0.02> } finish { ambient 0 diffuse 0.85 } }
sphere { <1.35, 0.25, -2.3>, 0.65 pigment { rgb <0.015, 0.10, 0.30> } finish { ambient 0 diffuse 0.85 specular 0.4 roughness 0.004 } }

// ---------------------------------------------------------------- a broad brush: fine bristles over a smooth ground
#declare B = 0;
union {
  #while (B < 900)
    #declare Bx = rand(R)*1.25; #declare Bz = rand(R)*0.3;
    cone { <3.15 + Bx, -0.02, -2.6 + Bz>, 0.011,
           <3.15 + Bx*1.12 - 0.08 + (rand(R) - 0.5)*0.12, 0.95 + rand(R)*0.22, -2.6 + Bz + (rand(R) - 0.5)*0.1>, 0.0035
      pigment { rgb (0.10 + 0.55*rand(R))*<1, 0.82, 0.58> } }
    #declare B = B + 1;
  #end
  finish { ambient 0 diffuse 0.8 specular 0.25 roughness 0.05 }
}
box { <3.1, -0.40, -2.65>, <4.45, 0.04, -2.25> pigment { rgb <0.55, 0.52, 0.45> } finish { ambient 0 diffuse 0.5 specular 0.7 roughness 0.02 metallic } }

// ---------------------------------------------------------------- sailcloth, rolled: fine plain weave
cylinder { <5.2, 0.12, -2.7>, <9.5, 0.22, -2.4>, 0.50
  texture {
    pigment { function { 0.5 + 0.5*sin(2*pi*x*17)*sin(2*pi*atan2(y, z)*9) } color_map { [0 rgb <0.44,0.41,0.34>] [1 rgb <0.74,0.71,0.62>] } }
    normal { function { sin(2*pi*x*17)*sin(2*pi*atan2(y, z)*9) } 0.25 }
    finish { ambient 0 diffuse 0.9 }
    translate <0, 0.12, -2.7>
  } }

// ---------------------------------------------------------------- the open hatch: dusk, stars; a string of small lamps
box { <4.6, 6.1, -0.14>, <8.2, 8.1, 0.05>
  pigment { gradient y color_map { [0 rgb <0.010,0.018,0.040>] [1 rgb <0.0022,0.0040,0.0105>] } scale 2.0 translate y*6.1 } finish { ambient 0 emission 1 diffuse 0 } }
difference { box { <4.35, 5.85, -0.3>, <8.5, 8.4, 0> } box { <4.6, 6.1, -1>, <8.6, 8.1, 1> } PlankTexture(41, 0.55) }
#declare S = 0;
#while (S < 70)
  sphere { <4.7 + rand(R)*3.4, 6.2 + rand(R)*1.85, -0.16>, 0.0018 + 0.0030*pow(rand(R), 3)
    pigment { rgb 1 } finish { ambient 0 diffuse 0 emission <0.75 + 0.25*rand(R), 0.8, 0.70 + 0.3*rand(R)>*(0.15 + 0.85*rand(R)) } }
  #declare S = S + 1;
#end
#declare L = 0;
#while (L < 16)
  #declare Lx = -7.6 + L*0.76; #declare Ly = 7.75 - 0.75*(1 - pow((L - 7.5)/8, 2));
  sphere { <Lx, Ly, -1.0>, 0.030 + 0.012*mod(L, 3) pigment { rgb 1 } finish { ambient 0 diffuse 0 emission <1.0, 0.72, 0.36>*1.4 } }
  light_source { <Lx, Ly, -1.15> Lamplight*0.012 fade_distance 0.5 fade_power 2 shadowless }
  #if (L > 0) cylinder { <Px, Py + 0.05, -1.0>, <Lx, Ly + 0.05, -1.0>, 0.012 pigment { rgb 0.02 } finish { ambient 0 diffuse 0.6 } } #end
  #declare Px = Lx; #declare Py = Ly;
  #declare L = L + 1;
#end
