// SPDX-License-Identifier: MIT
#include "solve/kinds/leaf.hpp"

#include <limits>

#include "solve/numbers/traced_number.hpp"

namespace fond_ladder::inline v0::detail::leaf {
namespace {

/// Whether something measured can be arranged.
bool is_size(double measured) {
  return measured >= 0 && measured < std::numeric_limits<double>::infinity();
}

/// The width at which content is asked for its height: exactly the one by content where that fits but for rounding, so
/// that whoever breaks lines by it does not break one that fits.
template <class N>
N width_for(const SolveContextOf<N>& context, Index node, const Measured& measured) {
  const N inner = context.inner_size(node, x_axis);
  const N by_content = context.max_content(node) - context.edges_up(node).inset[x_axis].sum();
  const double slack = line_slack(by_content);
  if (exceeds(inner, by_content, slack) || exceeds(by_content, inner, slack)) return inner;
  const CustomContent::Widths widths = measured.widths();
  return sound_size(std::max(widths.max_content, widths.min_content));
}

}  // namespace

double sound_size(double measured) {
  return is_size(measured) ? std::min(measured, limits::largest_length) : 0;
}

CustomContent::Widths sound_widths(const CustomContent::Widths& measured) {
  const double least = sound_size(measured.min_content);
  return {least, std::max(least, sound_size(measured.max_content))};
}

template <class N>
void widths_up(SolveContextOf<N>& context, Index node) {
  const N inset = context.edges_up(node).inset[x_axis].sum();
  N least = context.natural(node, x_axis), most = least;
  if (const Measured& measured = context.measured(node); measured.content()) {
    const CustomContent::Widths widths = measured.widths();
    context.set_flag(node, NodeFlag::odd_widths, !is_size(widths.min_content) || !is_size(widths.max_content));
    const CustomContent::Widths sound = sound_widths(widths);
    least = sound.min_content;
    most = sound.max_content;
  }
  context.set_content_widths(node, context.traits(node).scroll_x ? inset : least + inset, most + inset);
}

template <class N>
void heights_up(SolveContextOf<N>& context, Index node) {
  const SidesOf<N> inset = context.edges_up(node).inset[y_axis];
  N need = context.natural(node, y_axis);
  if (const Measured& measured = context.measured(node); measured.content()) {
    const CustomContent::Heights heights = measured_height(measured, width_for<N>(context, node, measured));
    context.set_flag(node, NodeFlag::odd_heights, !is_size(heights.height) || !is_size(heights.baseline));
    need = sound_size(heights.height);
    context.set_baseline(node, inset.before + sound_size(heights.baseline));
  }
  context.set_need(node, context.height_by_aspect(node, need + inset.sum()));
  if (const double share = context.is_plain(node) ? 0 : words_ahead<N>(context, node); share > 0) {
    const N unused_space = max_of(0.0, natural_height<N>(context, node) - need - inset.sum());
    context.set_baseline(node, context.baseline(node) + share * unused_space);
  }
  if (context.traits(node).holds_scroller) {
    context.set_least_height(node, context.traits(node).scroll_y ? N(inset.sum()) : context.need(node));
  }
}

template void widths_up(SolveContextOf<double>&, Index);
template void widths_up(SolveContextOf<TracedNumber>&, Index);
template void heights_up(SolveContextOf<double>&, Index);
template void heights_up(SolveContextOf<TracedNumber>&, Index);

}  // namespace fond_ladder::inline v0::detail::leaf
