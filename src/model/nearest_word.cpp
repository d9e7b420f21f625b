// SPDX-License-Identifier: MIT
#include "model/nearest_word.hpp"

#include <algorithm>
#include <array>
#include <utility>
#include <vector>

#include "model/limits.hpp"

namespace fond_ladder::inline v0 {
namespace {

/// What a word of earlier scenes is called now; the word itself where it was never changed.
std::string_view now_called(std::string_view word) {
  constexpr std::array<std::pair<std::string_view, std::string_view>, 4> renamed{{
      {"border_counts", "border_at"},
      {"overlap", "on_top"},
      {"center_x", "middle_x"},
      {"center_y", "middle_y"},
  }};
  const auto found = std::ranges::find(renamed, word, &std::pair<std::string_view, std::string_view>::first);
  return found == renamed.end() ? word : found->second;
}

/// Edits (insert, remove, replace, swap neighbors) that turn one word into the other.
/// Small and capital letters count as one.
std::size_t edit_distance(std::string_view a, std::string_view b) {
  const auto same = [](char one, char other) {
    const auto lower = [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c; };
    return lower(one) == lower(other);
  };
  std::vector<std::size_t> before(b.size() + 1), last(b.size() + 1), row(b.size() + 1);
  for (std::size_t j = 0; j <= b.size(); ++j) last[j] = j;
  for (std::size_t i = 1; i <= a.size(); ++i) {
    row[0] = i;
    for (std::size_t j = 1; j <= b.size(); ++j) {
      row[j] = std::min({last[j] + 1, row[j - 1] + 1, last[j - 1] + (same(a[i - 1], b[j - 1]) ? 0 : 1)});
      if (i > 1 && j > 1 && same(a[i - 1], b[j - 2]) && same(a[i - 2], b[j - 1]))
        row[j] = std::min(row[j], before[j - 2] + 1);
    }
    std::swap(before, last);
    std::swap(last, row);
  }
  return last[b.size()];
}

}  // namespace

std::string_view nearest_word(std::string_view typed, std::span<const std::string_view> words) {
  if (typed.size() > limits::longest_typed) return {};
  const auto renamed = std::ranges::find(words, now_called(typed));
  if (renamed != words.end()) return *renamed;
  std::string_view best;
  // A word of one letter is near to nothing: it would be another one altogether.
  std::size_t best_distance = typed.size() < 2 ? 1 : std::max<std::size_t>(1, typed.size() / 3) + 1;
  std::size_t steps = 0;
  for (const std::string_view word : words) {
    const std::size_t longer = std::max(word.size(), typed.size()) - std::min(word.size(), typed.size());
    if (longer >= best_distance) continue;  // as many changes at least
    steps += word.size() * typed.size();
    if (steps > limits::most_hint_steps) break;
    const std::size_t distance = edit_distance(typed, word);
    if (distance < best_distance) {
      best = word;
      best_distance = distance;
    }
  }
  return best;
}

std::string word_hint(std::string_view typed, std::span<const std::string_view> words, Vocabulary vocabulary) {
  if (const std::string_view ours = known_elsewhere(typed, vocabulary); !ours.empty())
    return "; here that is " + std::string(ours);
  if (const std::string_view near = nearest_word(typed, words); !near.empty())
    return "; did you mean \"" + std::string(near) + "\"?";
  if (words.empty() || typed.size() > limits::longest_typed) return "";
  if (vocabulary == Vocabulary::keys) return "; docs/format.md lists every key";
  std::string list;
  const std::size_t most = vocabulary == Vocabulary::names ? 18 : words.size();  // names may be thousands
  for (std::size_t i = 0; i < std::min(words.size(), most); ++i) {
    const bool is_last = i + 1 == words.size();
    list.append(i == 0 ? "" : is_last ? " or " : ", ").append(words[i]);
  }
  if (words.size() > most) list += " and " + std::to_string(words.size() - most) + " more";
  return (words.size() > most ? "; expected one of " : "; write ") + list;
}

}  // namespace fond_ladder::inline v0
