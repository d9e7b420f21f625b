// SPDX-License-Identifier: MIT
#include "calls/claims_asked.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>

#include "calls/command.hpp"
#include "calls/sizes.hpp"
#include "fond_ladder/claim.hpp"

namespace fond_ladder::calls {
namespace {

/// `proved for every width`, of claims that hold.
std::string proof_text(const std::vector<CheckedClaim>& checked) {
  const auto sampled = static_cast<std::size_t>(
      std::ranges::count_if(checked, [](const CheckedClaim& one) { return !one.sampled.empty(); }));
  const bool every_height = checked.front().every_height;
  if (sampled == 0) return every_height ? "proved for every width and height" : "proved for every width";
  return sampled == checked.size() ? every_height ? "sampled at some sizes" : "sampled at whole widths"
                                   : fmt::format("{} of them not proved everywhere", sampled);
}

}  // namespace

std::string verdict_text(const std::vector<CheckedClaim>& checked) {
  const auto kept = static_cast<std::size_t>(std::ranges::count_if(checked, &CheckedClaim::holds));
  const std::size_t broken = checked.size() - kept;
  if (checked.empty()) return "nothing to check, as there are fewer claims than parts";
  if (checked.size() == 1) {
    return broken == 0 ? "the claim holds, " + proof_text(checked) : "the claim does not hold";
  }
  if (broken == 0) return fmt::format("all {} claims hold, {}", kept, proof_text(checked));
  return fmt::format("{} of {} claims {} not hold", broken, checked.size(), broken == 1 ? "does" : "do");
}

std::string why_broken(const CheckedClaim& one) {
  const std::string all = report(one);
  const std::size_t second = all.find('\n') + 1, end = all.find('\n', second);
  const std::size_t begin = all.find_first_not_of(' ', second);
  return begin == std::string::npos ? all : all.substr(begin, end - begin);
}

void RequiredClaims::read_in(const Scene& scene) {
  for (std::size_t i = 0; i < claims_.size(); ++i) {
    if (!faults_[i].empty()) continue;
    try {
      static_cast<void>(Claim(scene, claims_[i]));
    } catch (const BadClaim& fault) {
      faults_[i] = fmt::format("in the claim \"{}\", column {}: {}", claims_[i], fault.column(), fault.what());
    }
  }
}

void RequiredClaims::require() const {
  std::vector<std::string> faults;
  std::ranges::copy_if(faults_, std::back_inserter(faults), [](const std::string& one) { return !one.empty(); });
  if (!faults.empty()) throw WrongCall(faults);
}

void require_claims(const Scene& scene, const std::vector<std::string>& claims) {
  RequiredClaims required(claims);
  required.read_in(scene);
  required.require();
}

Interval heights_asked(const Scene& scene, const std::string& asked, std::string_view option) {
  if (asked.find_first_of("0123456789") == std::string::npos && asked != "every")
    throw WrongCall(fmt::format("{} {}: write every, for those of the ladder, or some, as in 240..900", option, asked));
  if (asked != "every") {
    const Interval heights = parse_span(asked, option);
    if (heights.from < heights.to) return heights;
    throw WrongCall(fmt::format("{} {}: give heights from one to a larger one, as in 240..900", option, asked));
  }
  const std::optional<Interval>& ladder = scene.ladder.height;
  if (ladder && ladder->from < ladder->to) return *ladder;
  throw WrongCall(
      fmt::format("the ladder has {}; give them, as in {} 240..900", ladder ? "one height" : "no heights", option));
}

}  // namespace fond_ladder::calls
