// SPDX-License-Identifier: MIT
//
// Rows and columns, case by case, worked out by hand from the open standards and docs/semantics.md.
#include <gtest/gtest.h>

#include "support/random_scenes.hpp"
#include "support/shorthand.hpp"

namespace fond_ladder {
namespace {

using testing::BoxCase;

const BoxCase cases[] = {
    // Sizes.
    {"fixed and stretched", "row:r [ box:a width=10 height=4 box:b width=5 ]", "100x50", "a(0,0 10x4) b(10,0 5x50)"},
    {"content is never stretched", "row:r [ box:a height=content natural_size=[10,4] ]", "100x50", "a(0,0 10x4)"},
    {"fit-content across", "column:r across=start [ text:a text=\"two words\" ]", "80x50", "a(0,0 80x40)"},
    {"fit-content stops at min-content", "column:r across=start [ text:a text=\"two words\" ]", "20x50",
     "a(0,0 48x40)"},
    {"no box is smaller than its padding", "row:r [ box:a width=4 padding=6 ]", "100x50", "a(0,0 12x50)"},
    {"a minimum beats a maximum", "row:r [ box:a width=50 min_width=40 max_width=20 ]", "100x50", "a(0,0 40x50)"},
    {"a text keeps its longest word", "row:r [ text:a text=\"two words\" box:b width=200 ]", "100x20",
     "a(0,0 48x20) b(48,0 52x20)"},
    {"unless its minimum is 0", "row:r [ text:a text=\"two words\" min_width=0 box:b width=300 shrink=0 ]", "100x20",
     "a(0,0 0x20) b(0,0 300x20)"},
    {"the automatic minimum is at most the given size", "row:r [ box:a width=20 natural_size=[60,5] box:b width=200 ]",
     "100x10", "a(0,0 20x10) b(20,0 80x10)"},
    {"basis is no given size", "row:r [ box:a basis=20 natural_size=[60,5] box:b width=200 ]", "100x10",
     "a(0,0 60x10) b(60,0 40x10)"},
    {"fill along is weight 1", "row:r [ box:a width=fill box:b weight=3 ]", "100x10", "a(0,0 25x10) b(25,0 75x10)"},
    {"fill across, held by a limit, is aligned", "column:r across=center [ box:a width=fill max_width=40 height=5 ]",
     "100x50", "a(30,0 40x5)"},
    {"stretched, held by a limit, lies at start", "column:r [ box:a max_width=40 height=5 ]", "100x50", "a(0,0 40x5)"},
    {"a scroller may shrink to nothing", "row:r [ row:a scroll=x [ box:i width=90 ] box:b width=100 shrink=0 ]",
     "120x10", "a(0,0 20x10) i(0,0 90x10) b(20,0 100x10)"},
    {"the natural size lies inside the padding", "row:r across=start [ box:a natural_size=[10,6] padding=2 ]", "100x50",
     "a(0,0 14x10)"},
    {"em", "em=10 row:r [ box:a width=\"2.5em\" ]", "100x50", "a(0,0 25x50)"},

    // Least heights.
    {"a scroller deep inside pushes nobody out",
     "column:r [ box:bar height=40 row:b weight=1 [ box:s width=80 column:l weight=1 scroll=y [ box:e height=1200 ] ] "
     "]",
     "400x300", "bar(0,0 400x40) b(0,40 400x260) s(0,40 80x260) l(80,40 320x260) e(80,40 320x1200)"},
    {"its neighbor without scrolling does",
     "column:r [ box:bar height=40 row:b weight=1 [ column:l weight=1 [ box:e height=1200 ] ] ]", "400x300",
     "bar(0,0 400x0) b(0,0 400x1200) l(0,0 400x1200) e(0,0 400x1200)"},
    {"a scroller counts its minimum",
     "column:r [ box:bar height=40 row:b weight=1 [ column:l weight=1 scroll=y min_height=100 [ box:e height=500 ] ] ]",
     "400x120", "bar(0,0 400x20) b(0,20 400x100) l(0,20 400x100) e(0,20 400x500)"},
    {"a scroller counts its padding", "column:r [ box:a height=40 stack:b weight=1 [ column:l scroll=y padding=15 ] ]",
     "100x40", "a(0,0 100x10) b(0,10 100x30) l(0,10 30x30)"},
    {"a scroller that cannot shrink counts its height",
     "column:r [ box:a height=40 column:b weight=1 [ column:l height=90 shrink=0 scroll=y ] ]", "100x100",
     "a(0,0 100x10) b(0,10 100x90) l(0,10 100x90)"},
    {"one that can shrink does not", "column:r [ box:a height=40 column:b weight=1 [ column:l height=90 scroll=y ] ]",
     "100x100", "a(0,0 100x40) b(0,40 100x60) l(0,40 100x60)"},
    {"a text beside a scroller still counts",
     "column:r [ box:bar height=40 row:b weight=1 [ text:t text=Fern column:l scroll=y weight=1 [ box:e height=90 ] ] "
     "]",
     "100x50", "bar(0,0 100x30) b(0,30 100x20) t(0,30 38.4x20) l(38.4,30 61.6x20) e(38.4,30 61.6x90)"},
    {"by content a scroller is as high as all it holds",
     "column:r [ box:bar height=40 row:b weight=1 [ column:l weight=1 scroll=y [ box:e height=60 ] ] ]", "100",
     "bar(0,0 100x40) b(0,40 100x60) l(0,40 100x60) e(0,40 100x60)"},

    // Sharing.
    {"weights share the whole border box", "row:r [ box:a weight=1 padding={\"x\":20} box:b weight=3 ]", "400x10",
     "a(0,0 100x10) b(100,0 300x10)"},
    {"padding is a minimum under a weight", "row:r [ box:a weight=1 padding=40 box:b weight=3 ]", "100x90",
     "a(0,0 80x90) b(80,0 20x90)"},
    {"weights share what gaps and margins leave", "row:r gap=10 [ box:a weight=1 margin=5 box:b weight=1 ]", "100x50",
     "a(5,5 40x40) b(60,0 40x50)"},
    {"a weight beats basis, grow and width", "row:r [ box:a weight=1 width=90 grow=7 basis=80 box:b weight=1 ]",
     "100x10", "a(0,0 50x10) b(50,0 50x10)"},
    {"a width under a weight caps the automatic minimum",
     "row:r [ box:a weight=1 width=30 natural_size=[80,1] box:b weight=1 ]", "100x10", "a(0,0 50x10) b(50,0 50x10)"},
    {"out of a total", "row:r out_of=4 [ box:a weight=1 box:b weight=2 ]", "400x10", "a(0,0 100x10) b(100,0 200x10)"},
    {"out of a total that the weights exceed", "row:r out_of=2 [ box:a weight=1 box:b weight=3 ]", "400x10",
     "a(0,0 100x10) b(100,0 300x10)"},
    {"equal_sizes", "row:r equal_sizes=true gap=10 [ text:a text=\"Fern\" text:b text=\"a much longer text\" ]",
     "110x40", "a(0,0 50x40) b(60,0 50x40)"},
    {"column shares heights", "column:r [ box:a height=20 box:b weight=1 box:c weight=1 ]", "30x100",
     "a(0,0 30x20) b(0,20 30x40) c(0,60 30x40)"},
    {"a wrapped text pushes on", "column:r [ text:a text=\"two words\" box:b height=10 ]", "50x100",
     "a(0,0 50x40) b(0,40 50x10)"},
    {"in a column the automatic minimum is the height", "column:r [ text:a text=\"two words\" box:b height=90 ]",
     "50x100", "a(0,0 50x40) b(0,40 50x60)"},
    {"a scroller's children do not shrink", "column:r scroll=y [ box:a height=80 box:b height=80 ]", "50x100",
     "a(0,0 50x80) b(0,80 50x80)"},
    {"but they grow", "column:r scroll=y [ box:a height=20 grow=1 ]", "50x100", "a(0,0 50x100)"},

    // Going up.
    {"a row adds its children, margins and gaps",
     "column:r across=start [ row:a gap=5 padding=3 [ box:i width=10 margin=1 "
     "box:j width=20 ] ]",
     "200x50", "a(0,0 43x8) i(4,4 10x0) j(20,3 20x2)"},
    {"a rigid child counts with its base", "column:r across=start [ row:a [ box:i basis=40 shrink=0 ] ]", "20x10",
     "a(0,0 40x0) i(0,0 40x0)"},
    {"a weighted child counts with its content",
     "column:r across=start [ row:a [ box:i weight=2 natural_size=[30,5] ] ]", "200x10", "a(0,0 30x5) i(0,0 30x5)"},
    {"by content", "column:r padding=5 gap=2 [ box:a natural_size=[10,4] box:b natural_size=[30,6] ]", "content",
     "a(5,5 30x4) b(5,11 30x6)"},
    {"a negative gap overlaps", "column:r across=start [ row:a gap=-4 [ box:i width=10 box:j width=10 ] ]", "100x20",
     "a(0,0 16x0) i(0,0 10x0) j(6,0 10x0)"},
    {"a negative sum counts 0", "column:r across=start [ row:a gap=-40 [ box:i width=10 box:j width=10 ] ]", "100x20",
     "a(0,0 0x0) i(0,0 10x0) j(-30,0 10x0)"},

    // Percentages.
    {"of the parent's content box", "row:r padding=10 [ box:a width=50% height=25% ]", "120x60", "a(10,10 50x10)"},
    {"are content going up", "column:r across=start [ row:a [ box:i width=50% natural_size=[40,5] ] ]", "200x50",
     "a(0,0 40x5) i(0,0 20x5)"},
    {"a height that came from content", "column:r [ row:a [ box:i height=50% width=10 box:j height=30 width=10 ] ]",
     "100", "a(0,0 100x30) i(0,0 10x15) j(10,0 10x30)"},
    {"padding on its own axis", "row:r [ row:a width=100 padding=10% [ box:i weight=1 ] ]", "200x50",
     "a(0,0 100x50) i(20,5 60x40)"},

    {"a percent height in a wrapped line",
     "row:r wrap=true place_content=start [ box:a width=200 height=50% box:b width=200 height=50 ]", "300x600",
     "a(0,0 200x300) b(0,300 200x50)"},
    {"percent limits and margins in a wrapped line",
     "row:r wrap=true place_content=start [ box:a width=200 height=50% text:t text=Fern min_height=50% "
     "margin={\"top\":\"3%\"} "
     "]",
     "300x600", "a(0,0 200x300) t(200,18 38.4x300)"},
    {"percent padding in a wrapped line",
     "row:r wrap=true place_content=start [ box:a width=60 padding={\"top\":\"10%\"} natural_size=[0,5] box:b width=60 "
     "height=5 ]",
     "100x100", "a(0,0 60x10) b(0,10 60x5)"},
    {"by content the same line knows no percentage",
     "row:r wrap=true place_content=start [ box:a width=60 height=50% natural_size=[0,8] box:b width=60 height=4 ]",
     "100", "a(0,0 60x6) b(0,6 60x4)"},

    // Aspect.
    {"height follows width", "column:r [ box:a aspect_ratio=2 ]", "100x90", "a(0,0 100x50)"},
    {"width follows a height in pixels", "row:r [ box:a aspect_ratio=2 height=20 ]", "100x90", "a(0,0 40x20)"},
    {"nothing when both are given", "row:r [ box:a aspect_ratio=2 width=30 height=20 ]", "100x90", "a(0,0 30x20)"},
    {"an image is not stretched", "column:r [ image:a natural_size=[40,20] ]", "100x90", "a(0,0 40x20)"},
    {"unless it fills", "column:r [ image:a natural_size=[40,20] width=fill ]", "100x90", "a(0,0 100x50)"},
    {"its picture keeps its shape inside padding", "column:r [ image:a natural_size=[40,20] width=90 padding=5 ]",
     "100x90", "a(0,0 90x50)"},

    {"an image without a shape is not stretched", "column:c [ image:a natural_size=[40,0] height=5 ]", "100x90",
     "a(0,0 40x5)"},
    {"a box is", "column:c [ box:a natural_size=[40,0] height=5 ]", "100x90", "a(0,0 100x5)"},
    {"a height that fills or is a percentage counts as given beside an aspect",
     "row:r [ box:a aspect_ratio=2 height=fill width=10 box:b aspect_ratio=2 height=50% width=10 box:c aspect_ratio=2 "
     "height=content "
     "width=10 natural_size=[0,7] ]",
     "100x90", "a(0,0 10x90) b(10,0 10x45) c(20,0 10x7)"},
    {"the root's aspect at height by content", "column:c aspect_ratio=2 [ box:a weight=1 ]", "100", "a(0,0 100x50)"},

    // Margins and alignment.
    {"an automatic margin takes the spare",
     "row:r along=end [ box:a width=10 box:b width=10 margin={\"left\":\"auto\"} ]", "100x10",
     "a(0,0 10x10) b(90,0 10x10)"},
    {"several share it", "row:r [ box:a width=10 margin={\"x\":\"auto\"} box:b width=10 margin={\"right\":\"auto\"} ]",
     "80x10", "a(20,0 10x10) b(50,0 10x10)"},
    {"none when nothing is spare",
     "row:r [ box:a width=80 shrink=0 box:b width=80 shrink=0 margin={\"left\":\"auto\"} ]", "100x10",
     "a(0,0 80x10) b(80,0 80x10)"},
    {"across, two center", "row:r [ box:a width=10 height=10 margin={\"y\":\"auto\"} ]", "100x50", "a(0,20 10x10)"},
    {"stretch loses to them", "row:r [ box:a width=10 margin={\"top\":\"auto\"} natural_size=[0,8] ]", "100x50",
     "a(0,42 10x8)"},
    {"fill beats them", "row:r [ box:a width=10 height=fill margin={\"top\":\"auto\"} ]", "100x50", "a(0,0 10x50)"},
    {"center", "row:r along=center gap=4 [ box:a width=10 box:b width=10 ]", "100x10", "a(38,0 10x10) b(52,0 10x10)"},
    {"end overhangs ahead", "row:r along=end [ box:a width=120 shrink=0 ]", "100x10", "a(-20,0 120x10)"},
    {"but not where it scrolls", "row:r along=end scroll=x [ box:a width=120 ]", "100x10", "a(0,0 120x10)"},
    {"between", "row:r along=between [ box:a width=10 box:b width=10 box:c width=10 ]", "100x10",
     "a(0,0 10x10) b(45,0 10x10) c(90,0 10x10)"},
    {"around", "row:r along=around [ box:a width=10 box:b width=10 ]", "100x10", "a(20,0 10x10) b(70,0 10x10)"},
    {"evenly", "row:r along=evenly [ box:a width=20 box:b width=20 ]", "100x10", "a(20,0 20x10) b(60,0 20x10)"},
    {"slots", "row:r along=slots gap=10 [ box:a width=10 box:b width=20 ]", "100x10", "a(0,0 10x10) b(50,0 20x10)"},
    {"slots never turn negative", "row:r along=slots [ box:a width=70 shrink=0 box:b width=70 shrink=0 ]", "100x10",
     "a(0,0 70x10) b(70,0 70x10)"},
    {"self beats across", "row:r across=end [ box:a width=9 height=10 box:b width=9 height=10 place_self=center ]",
     "100x50", "a(0,40 9x10) b(9,20 9x10)"},
    {"baseline",
     "row:r across=baseline [ text:a text=x font_size=10 text:b text=x font_size=20 box:c width=5 height=8 ]", "100x50",
     "a(0,9.5 6x12.5) b(6,0 12x25) c(18,11 5x8)"},
    {"baseline of a column is its first child's",
     "row:r across=baseline [ column:a [ text:i text=x font_size=10 text:j text=x font_size=10 ] text:b text=x "
     "font_size=20 ]",
     "100x50", "a(0,9.5 6x25) i(0,9.5 6x12.5) j(0,22 6x12.5) b(6,0 12x25)"},

    {"a percent margin on a baseline",
     "row:r across=baseline [ text:a text=Fern text:b text=Fern margin={\"top\":\"3%\"} ]", "300x700",
     "a(0,21 38.4x20) b(38.4,21 38.4x20)"},
    {"a percent padding on a baseline",
     "row:r across=baseline [ text:a text=Fern text:b text=Fern padding={\"top\":\"3%\"} ]", "300x700",
     "a(0,21 38.4x20) b(38.4,0 38.4x21)"},
    {"a row's baseline where its first child really lies",
     "row:r across=baseline [ box:x width=10 height=3 row:p [ text:t text=Fern margin={\"y\":\"auto\"} box:q "
     "height=100 ] ]",
     "100x100", "x(0,52.2 10x3) p(10,0 38.4x100) t(10,40 38.4x20) q(48.4,0 0x100)"},
    {"without automatic margins it lies at the top",
     "row:r across=baseline [ box:x width=10 height=3 row:p [ text:t text=Fern box:q height=100 ] ]", "100x100",
     "x(0,12.2 10x3) p(10,0 38.4x100) t(10,0 38.4x100) q(48.4,0 0x100)"},
    {"a stack's baseline likewise",
     "row:r across=baseline [ box:x width=10 height=3 stack:p height=100 [ text:t text=Fern margin={\"y\":\"auto\"} ] "
     "]",
     "100x100", "x(0,52.2 10x3) p(10,0 38.4x100) t(10,40 38.4x20)"},
    {"a column's baseline likewise",
     "row:r across=baseline [ box:x width=10 height=3 column:p height=100 [ text:t text=Fern margin={\"top\":\"auto\"} "
     "] ]",
     "100x100", "x(0,92.2 10x3) p(10,0 38.4x100) t(10,80 38.4x20)"},
    {"a column that grows leaves its margins nothing",
     "row:r across=baseline [ box:x width=10 height=3 column:p height=100 [ text:t text=Fern margin={\"top\":\"auto\"} "
     "box:q weight=1 ] ]",
     "100x100", "x(0,12.2 10x3) p(10,0 38.4x100) t(10,0 38.4x20) q(10,20 38.4x80)"},
    {"a baseline outside its box takes no space",
     "column:c [ row:r across=baseline [ text:a text=Fern max_height=0 ] box:b height=5 ]", "100x50",
     "r(0,0 100x0) a(0,0 38.4x0) b(0,0 100x5)"},
    {"fill beside an automatic margin, held by a limit",
     "row:r [ box:a width=10 height=fill max_height=20 margin={\"top\":\"auto\"} ]", "100x50", "a(0,30 10x20)"},
    {"a container smaller than its padding, laid from the far end",
     "row:r padding={\"left\":30,\"right\":90} reverse=true [ box:a width=20 shrink=0 ]", "100x10", "a(10,0 20x10)"},
    {"and right to left",
     "direction=rtl row:r padding={\"left\":30,\"right\":90} reverse=true [ box:a width=20 shrink=0 ]", "100x10",
     "a(10,0 20x10)"},

    // Order.
    {"order, ties in the order of the file", "row:r [ box:a width=1 order=1 box:b width=2 box:c width=3 order=first ]",
     "10x1", "a(5,0 1x1) b(3,0 2x1) c(0,0 3x1)"},
    {"reverse packs from the far end", "row:r reverse=true [ box:a width=10 box:b width=20 ]", "100x1",
     "a(90,0 10x1) b(70,0 20x1)"},
    {"start is that end", "row:r reverse=true along=end [ box:a width=10 box:b width=20 ]", "100x1",
     "a(20,0 10x1) b(0,0 20x1)"},
    {"a reversed column", "column:r reverse=true [ box:a height=10 box:b height=20 ]", "5x100",
     "a(0,90 5x10) b(0,70 5x20)"},
    {"rtl mirrors a row", "direction=rtl row:r [ box:a width=10 margin={\"start\":3} box:b width=20 ]", "100x1",
     "a(87,0 10x1) b(67,0 20x1)"},
    {"left stays left", "direction=rtl row:r [ box:a width=10 margin={\"left\":3} box:b width=20 ]", "100x1",
     "a(90,0 10x1) b(67,0 20x1)"},
    {"reversed in rtl swaps once more", "direction=rtl row:r reverse=true [ box:a width=10 box:b width=20 ]", "100x1",
     "a(0,0 10x1) b(10,0 20x1)"},
    {"rtl mirrors across of a column", "direction=rtl column:r across=start [ box:a width=10 height=5 ]", "100x50",
     "a(90,0 10x5)"},

    // Wrapping.
    {"breaks by clamped bases",
     "row:r wrap=true place_content=start [ box:a width=60 height=5 box:b width=60 height=7 box:c basis=90 "
     "max_width=40 height=3 ]",
     "100x50", "a(0,0 60x5) b(0,5 60x7) c(60,5 40x3)"},
    {"fits within the tolerance",
     "row:r wrap=true place_content=start [ box:a width=50 height=5 box:b width=50.00005 height=5 ]", "100x50",
     "a(0,0 50x5) b(50,0 50x5)"},
    {"a gap counts", "row:r wrap=true place_content=start gap=1 [ box:a width=50 height=5 box:b width=50 height=5 ]",
     "100x50", "a(0,0 50x5) b(0,6 50x5)"},
    {"every line shares by itself",
     "row:r wrap=true place_content=start [ box:a width=60 grow=1 height=5 box:b width=30 grow=1 height=5 "
     "box:c width=30 grow=1 height=5 ]",
     "100x50", "a(0,0 65x5) b(65,0 35x5) c(0,5 100x5)"},
    {"even one line stretches", "row:r wrap=true [ box:a width=10 ]", "100x50", "a(0,0 10x50)"},
    {"lines stretch alike", "row:r wrap=true [ box:a width=80 natural_size=[0,10] box:b width=80 natural_size=[0,20] ]",
     "100x50", "a(0,0 80x20) b(0,20 80x30)"},
    {"lines in the middle",
     "row:r wrap=true place_content=center gap=4 [ box:a width=80 height=10 box:b width=80 height=10 ]", "100x50",
     "a(0,13 80x10) b(0,27 80x10)"},
    {"height by lines",
     "column:r [ row:a wrap=true gap=2 [ box:i width=60 height=10 box:j width=60 height=10 ] box:b height=5 ]",
     "100x90", "a(0,0 100x22) i(0,0 60x10) j(0,12 60x10) b(0,22 100x5)"},
    {"a wrapping column breaks at its final height",
     "column:r wrap=true place_content=start [ box:a width=10 height=30 box:b width=20 height=30 box:c width=5 "
     "height=30 ]",
     "100x70", "a(0,0 10x30) b(0,30 20x30) c(20,0 5x30)"},
    {"its children are not stretched",
     "row:r [ column:a wrap=true [ box:i height=5 natural_size=[10,0] box:j height=5 natural_size=[4,0] ] ]", "100x20",
     "a(0,0 10x20) i(0,0 10x5) j(0,5 4x5)"},
    {"its lines are mirrored in rtl",
     "direction=rtl column:r wrap=true place_content=start [ box:a width=10 height=30 box:b width=20 height=50 ]",
     "100x70", "a(90,0 10x30) b(70,0 20x50)"},
    {"a reversed, wrapped row in rtl",
     "direction=rtl row:r wrap=true reverse=true place_content=start [ box:a width=60 height=5 box:b width=30 height=5 "
     "box:c "
     "width=40 height=5 ]",
     "100x20", "a(0,0 60x5) b(60,0 30x5) c(0,5 40x5)"},

    // Borders, hidden, scale.
    {"a border counts", "row:r border=2 [ box:a weight=1 ]", "100x50", "a(2,2 96x46)"},
    {"unless it does not", "row:r border=2 border_at=over [ box:a weight=1 ]", "100x50", "a(0,0 100x50)"},
    {"a hidden child takes no gap", "row:r gap=10 [ box:a weight=1 box:b weight=1 hidden=true box:c weight=1 ]",
     "110x10", "a(0,0 50x10) c(60,0 50x10)"},
    {"scale takes no space", "row:r [ box:a width=10 scale=3 box:b width=10 ]", "100x10", "a(0,0 10x10) b(10,0 10x10)"},
    {"unless it counts", "row:r [ box:a width=10 height=4 scale=3 scale_affects_layout=true box:b width=10 ]", "100x12",
     "a(10,4 10x4) b(30,0 10x12)"},
    {"each gives what is not set", "row:r each_child={\"width\":10,\"height\":4} [ box:a box:b width=30 ]", "100x12",
     "a(0,0 10x4) b(10,0 30x4)"},

    // Nothing at all.
    {"empty", "row:r [ row:a [ ] column:b [ ] ]", "100x10", "a(0,0 0x10) b(0,0 0x10)"},
    {"no space", "row:r gap=5 [ box:a weight=1 box:b width=10 ]", "0x0", "a(0,0 0x0) b(5,0 0x0)"},
};

TEST(Line, ArrangesAsWorkedOutByHand) {
  testing::expect_boxes(cases);
}

// --- properties on random trees ------------------------------------------------------------------------------------

/// The tree with every length multiplied.
Keys scaled(Keys keys, double factor) {
  const auto times = [&](const Length& length) {
    return length.unit() == Length::Unit::px ? Length(length.amount() * factor) : length;
  };
  const auto limit = [&](Limit& value) {
    if (value) value = times(*value);
  };
  for (Sizing* sizing : {&keys.width, &keys.height, &keys.basis}) {
    if (sizing->way() == Sizing::Way::by_length) *sizing = times(sizing->length());
  }
  for (Limit* value : {&keys.min_width, &keys.max_width, &keys.min_height, &keys.max_height}) limit(*value);
  for (Edges* edges : {&keys.margin, &keys.padding, &keys.border}) {
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      const auto& edge = edges->given(static_cast<Side>(i));
      if (edge && !edge->is_automatic()) edges->set(static_cast<Side>(i), times(edge->length()));
    }
  }
  keys.gap = Gap(times(keys.gap.x), times(keys.gap.y));
  keys.natural_size = {keys.natural_size.x * factor, keys.natural_size.y * factor};
  keys.nudge = {keys.nudge.x * factor, keys.nudge.y * factor};
  if (keys.font_size) keys.font_size = *keys.font_size * factor;
  const auto track = [&](const Track& of) {
    const auto size = [&](const TrackSize& s) { return s.way() == TrackSize::Way::by_length ? times(s.length()) : s; };
    return Track(size(of.min), size(of.max));
  };
  for (Tracks* tracks : {&keys.columns, &keys.rows}) {
    std::vector<Tracks::Run> runs = tracks->runs();
    for (Tracks::Run& run : runs) {
      for (Track& one : run.tracks) one = track(one);
    }
    *tracks = Tracks(runs);
  }
  for (Track* one : {&keys.auto_columns, &keys.auto_rows}) *one = track(*one);
  if (keys.pin) {
    Pin& pin = *keys.pin;
    for (Limit* side :
         {&pin.left, &pin.right, &pin.top, &pin.bottom, &pin.start, &pin.end, &pin.middle_x, &pin.middle_y}) {
      limit(*side);
    }
  }
  return keys;
}

/// The same tree with other keys, another em or another direction; node for node in the order of the file.
template <class Change>
Tree changed(const Tree& tree, double em, Direction direction, Change change) {
  Tree copy(change(tree.keys(tree.root())), em, direction);
  std::vector<std::pair<NodeId, NodeId>> open{{tree.root(), copy.root()}};
  while (!open.empty()) {
    const auto [from, to] = open.back();
    open.pop_back();
    for (const NodeId child : tree.children(from)) open.emplace_back(child, copy.append(to, change(tree.keys(child))));
  }
  return copy;
}

TEST(Line, ScalingAllLengthsScalesAllResults) {
  for (std::uint32_t run = 0; run < 300; ++run) {
    testing::RandomScenes scenes(testing::seed() + run);
    const Tree tree = scenes.tree(20);
    const Tree twice = changed(tree, 2 * tree.em(), tree.direction(), [](const Keys& keys) { return scaled(keys, 2); });
    Solver one, two;
    const auto small = one.solve(tree, {410, 300}).boxes(), large = two.solve(twice, {820, 600}).boxes();
    ASSERT_EQ(small.size(), large.size());
    for (std::size_t i = 0; i < small.size(); ++i) {
      const Rect a = small[i].box, b = large[i].box;
      ASSERT_NEAR(2 * a.x, b.x, 1e-6) << run << " " << tree.path(small[i].node);
      ASSERT_NEAR(2 * a.y, b.y, 1e-6) << run << " " << tree.path(small[i].node);
      ASSERT_NEAR(2 * a.width, b.width, 1e-6) << run << " " << tree.path(small[i].node);
      ASSERT_NEAR(2 * a.height, b.height, 1e-6) << run << " " << tree.path(small[i].node);
    }
  }
}

TEST(Line, RightToLeftIsLeftToRightMirrored) {
  const auto without_physical_sides = [](Keys keys) {
    for (Edges* edges : {&keys.margin, &keys.padding, &keys.border}) {
      Edges logical;
      for (const Side side : {Side::top, Side::bottom, Side::start, Side::end, Side::y}) {
        if (edges->given(side)) logical.set(side, *edges->given(side));
      }
      *edges = logical;
    }
    keys.nudge.x = 0;
    keys.pin.reset();
    return keys;
  };
  for (std::uint32_t run = 0; run < 300; ++run) {
    testing::RandomScenes scenes(testing::seed() + run);
    const Tree source = scenes.tree(20);
    const Tree ltr = changed(source, 16, Direction::ltr, without_physical_sides);
    const Tree rtl = changed(source, 16, Direction::rtl, without_physical_sides);
    Solver one, two;
    const auto a = one.solve(ltr, {410, 300}).boxes(), b = two.solve(rtl, {410, 300}).boxes();
    ASSERT_EQ(a.size(), b.size());
    for (std::size_t i = 0; i < a.size(); ++i) {
      ASSERT_NEAR(a[i].box.x, 410 - b[i].box.right(), 1e-6) << run << " " << ltr.path(a[i].node);
      ASSERT_NEAR(a[i].box.y, b[i].box.y, 1e-6) << run << " " << ltr.path(a[i].node);
      ASSERT_NEAR(a[i].box.width, b[i].box.width, 1e-6) << run << " " << ltr.path(a[i].node);
    }
  }
}

TEST(Line, SizesGapsMarginsAndSpareAddUp) {
  for (std::uint32_t run = 0; run < 200; ++run) {
    testing::RandomScenes scenes(testing::seed() + run);
    Keys root;
    root.kind = run % 2 == 0 ? Kind::row : Kind::column;
    root.padding = 7.0;
    root.gap = 3.0;
    root.along = Along::evenly;
    Tree tree(root);
    for (int i = 0; i < 6; ++i) {
      Keys keys = scenes.keys(true);
      keys.hidden = false;
      keys.pin.reset();
      keys.order = {};
      keys.margin = 2.0;
      keys.border_at = BorderAt::inside;
      tree.append(tree.root(), keys);
    }
    Solver solver;
    const Solution solution = solver.solve(tree, {500, 500});
    const bool row = run % 2 == 0;
    double sum = 14 + 5 * 3 + 6 * 4;
    double last = 0, first = 1e9;
    for (const NodeId child : tree.children(tree.root())) {
      const Rect box = solution.box(child);
      const double scale = tree.keys(child).scale_affects_layout ? tree.keys(child).scale : 1;
      sum += (row ? box.width : box.height) * scale;
      const double size = row ? box.width : box.height, rare_fields = size * (scale - 1) / 2;
      first = std::min(first, (row ? box.x : box.y) - rare_fields - 2);
      last = std::max(last, (row ? box.right() : box.bottom()) + rare_fields + 2);
    }
    const double unused_space = 500 - sum;
    const double each = std::max(0.0, unused_space) / 7;
    ASSERT_NEAR(first, 7 + each, 1e-9) << run;
    ASSERT_NEAR(last, 493 - (unused_space > 0 ? each : unused_space), 1e-9) << run;
  }
}

}  // namespace
}  // namespace fond_ladder
