// SPDX-License-Identifier: MIT
#include "solve/leaf.hpp"

#include <limits>

#include "solve/moving.hpp"

namespace fond_ladder::inline v0::detail::leaf {
namespace {

/// Whether something measured can be arranged.
bool is_size(double measured) {
  return measured >= 0 && measured < std::numeric_limits<double>::infinity();
}

/// The width at which content is asked for its height: exactly the one by content where that fits but for rounding, so
/// that whoever breaks lines by it does not break one that fits.
template <class N>
N width_for(const FrameOf<N>& frame, Index node, const Measured& measured) {
  const N inner = frame.inner_size(node, x_axis);
  const N by_content = frame.max_content(node) - frame.edges_up(node).inset[x_axis].sum();
  const double slack = line_slack(by_content);
  if (exceeds(inner, by_content, slack) || exceeds(by_content, inner, slack)) return inner;
  const OwnContent::Widths widths = measured.widths();
  return sound_size(std::max(widths.max_content, widths.min_content));
}

}  // namespace

double sound_size(double measured) {
  return is_size(measured) ? std::min(measured, limits::largest_length) : 0;
}

OwnContent::Widths sound_widths(const OwnContent::Widths& measured) {
  const double least = sound_size(measured.min_content);
  return {least, std::max(least, sound_size(measured.max_content))};
}

template <class N>
void widths_up(FrameOf<N>& frame, Index node) {
  const N inset = frame.edges_up(node).inset[x_axis].sum();
  N least = frame.natural(node, x_axis), most = least;
  if (const Measured& measured = frame.measured(node); measured.content()) {
    const OwnContent::Widths widths = measured.widths();
    frame.set_flag(node, NodeFlag::odd_widths, !is_size(widths.min_content) || !is_size(widths.max_content));
    const OwnContent::Widths sound = sound_widths(widths);
    least = sound.min_content;
    most = sound.max_content;
  }
  frame.set_content_widths(node, frame.traits(node).scroll_x ? inset : least + inset, most + inset);
}

template <class N>
void heights_up(FrameOf<N>& frame, Index node) {
  const SidesOf<N> inset = frame.edges_up(node).inset[y_axis];
  N need = frame.natural(node, y_axis);
  if (const Measured& measured = frame.measured(node); measured.content()) {
    const OwnContent::Heights heights = measured_height(measured, width_for<N>(frame, node, measured));
    frame.set_flag(node, NodeFlag::odd_heights, !is_size(heights.height) || !is_size(heights.baseline));
    need = sound_size(heights.height);
    frame.set_baseline(node, inset.before + sound_size(heights.baseline));
  }
  frame.set_need(node, frame.height_by_aspect(node, need + inset.sum()));
  if (const double share = frame.is_plain(node) ? 0 : words_ahead<N>(frame, node); share > 0) {
    const N spare = most_of(0.0, natural_height<N>(frame, node) - need - inset.sum());
    frame.set_baseline(node, frame.baseline(node) + share * spare);
  }
  if (frame.traits(node).holds_scroller) {
    frame.set_least_height(node, frame.traits(node).scroll_y ? N(inset.sum()) : frame.need(node));
  }
}

template void widths_up(FrameOf<double>&, Index);
template void widths_up(FrameOf<Moving>&, Index);
template void heights_up(FrameOf<double>&, Index);
template void heights_up(FrameOf<Moving>&, Index);

}  // namespace fond_ladder::inline v0::detail::leaf
