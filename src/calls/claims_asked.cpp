// SPDX-License-Identifier: MIT
#include "calls/claims_asked.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <iterator>

#include "calls/command.hpp"
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
  if (checked.empty()) return "nothing to check: there are more parts than checks";
  if (checked.size() == 1) {
    return broken == 0 ? "the claim holds, " + proof_text(checked) : "the claim does not hold";
  }
  if (broken == 0) return fmt::format("all {} claims hold, {}", kept, proof_text(checked));
  return fmt::format("{} of {} claims {} not hold", broken, checked.size(), broken == 1 ? "does" : "do");
}

std::string why_it_fails(const CheckedClaim& one) {
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

}  // namespace fond_ladder::calls
