// SPDX-License-Identifier: MIT
//
// A claim is cut into tokens, then read by one function a rule of the grammar. Whether a bracket holds a condition or a
// sum is found out by trying the condition first.
#include <algorithm>
#include <array>

#include "model/claim_words.hpp"
#include "model/limits.hpp"
#include "model/nearest_word.hpp"
#include "verify/claims/claim_terms.hpp"
#include "verify/claims/claim_tokens.hpp"
#include "verify/measure/lists.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

/// Predicates first, which give no number.
constexpr std::array<std::string_view, 10> functions{"same",    "inside", "apart", "fits", "reachable",
                                                     "in_view", "sum",    "min",   "max",  "count"};
constexpr std::size_t predicate_count = 6;

class Parser {
 public:
  Parser(const Scene& scene, std::string_view text, Entries entries)
      : scene_(scene), tokens_(tokens_of(text)), entries_(entries), has_lists_(has_lists(scene.tree)) {
    for (const Range& range : scene.ranges) conditions_.push_back(range.name);
    conditions_.insert(conditions_.end(), scene.modes.begin(), scene.modes.end());
  }

  ClaimTerms parse() {
    if (tokens_.size() > limits::most_claim_tokens) {
      place_ = limits::most_claim_tokens;
      fail("this claim has more than 4,000 words and signs; split it");
    }
    terms_.claim = condition();
    while (is("when") || is("with") || is("within")) rider();
    if (at().text == "in" || at().text == "between") fail("write a chain, as in 100 <= a.width <= 300");
    if (at().kind != Token::Kind::end) fail("expected the end of the claim here" + near(at().text, claim_words));
    if (!terms_.scrolled.empty()) refuse_reachable();
    return std::move(terms_);
  }

 private:
  [[nodiscard]] const Token& at() const { return tokens_[place_]; }
  const Token& next() { return tokens_[place_++]; }
  [[nodiscard]] bool is(std::string_view text) const { return at().kind != Token::Kind::number && at().text == text; }
  bool take(std::string_view text) {
    if (!is(text)) return false;
    ++place_;
    return true;
  }
  void want(std::string_view text) {
    if (!take(text)) fail("\"" + std::string(text) + "\" is expected here");
  }
  [[noreturn]] void fail(const std::string& what) const { throw BadClaim(what, at().column); }
  /// At a scroll position it is asked what is in view.
  void refuse_reachable() {
    for (place_ = 0; place_ < tokens_.size(); ++place_) {
      const std::string_view text = at().text;
      const bool calls = text == "reachable" && tokens_[place_ + 1].text == "(";
      if (at().kind == Token::Kind::name && (calls || text.ends_with(".reachable")))
        fail("\"reachable\" does not depend on a scroll position; at one, ask for \"in_view\"");
    }
  }
  /// What may stand behind a claim, in any order and each once.
  void rider() {
    const bool is_known = is("when")   ? terms_.when.has_value()
                          : is("with") ? !terms_.scrolled.empty()
                                       : terms_.has_within;
    if (is_known) fail("\"" + std::string(at().text) + "\" is here for the second time; join both with and");
    if (take("when")) {
      terms_.when = condition();
    } else if (take("with")) {
      positions();
    } else {
      ++place_;
      if (at().kind != Token::Kind::number) fail("expected a number of pixels after within, as in within 0.5");
      terms_.within = next().number;
      terms_.has_within = true;
    }
  }
  template <class TextLine>
  static std::string near(std::string_view typed, const TextLine& words) {
    const std::vector<std::string_view> views(words.begin(), words.end());
    const std::string_view nearest = nearest_word(typed, views);
    return nearest.empty() ? "" : "; did you mean \"" + std::string(nearest) + "\"?";
  }

  Term joined(TermKind kind, std::string_view word, Term (Parser::*part)()) {
    Term first = (this->*part)();
    if (!is(word)) return first;
    Term all(kind);
    all.parts.push_back(std::move(first));
    while (take(word)) all.parts.push_back((this->*part)());
    return all;
  }
  Term condition() { return joined(TermKind::any_of, "or", &Parser::all); }
  Term all() { return joined(TermKind::all_of, "and", &Parser::term); }

  Term term() {
    if (++depth_ > limits::deepest_claim) fail("this claim is nested too deeply");
    Term found = term_inside();
    --depth_;
    return found;
  }

  Term term_inside() {
    if (take("not")) {
      Term negated(TermKind::negated);
      negated.parts.push_back(term());
      return negated;
    }
    if (is("(")) {
      // A condition in brackets, unless a sum goes on behind them.
      const std::size_t begin = place_, deep = depth_;
      const ClaimTerms before = terms_;
      try {
        next();
        Term inside = condition();
        want(")");
        static constexpr std::array<std::string_view, 10> sum_marks{"+", "-", "*", "/", "=", "<", "<=", ">", ">=", ":"};
        if (std::ranges::find(sum_marks, at().text) == sum_marks.end()) return inside;
      } catch (const BadClaim&) {
        if (tokens_[begin + 1].kind == Token::Kind::end) throw;
      }
      place_ = begin;
      depth_ = deep;
      terms_ = before;
      return relation();
    }
    if (at().kind == Token::Kind::name) {
      static constexpr std::array<TermKind, predicate_count> predicates{
          TermKind::same, TermKind::inside_of, TermKind::apart, TermKind::fits, TermKind::reachable, TermKind::in_view};
      const std::string name(at().text);
      const bool calls = tokens_[place_ + 1].text == "(";
      const auto found = static_cast<std::size_t>(std::ranges::find(functions, name) - functions.begin());
      if (calls && found < predicates.size()) return predicate(predicates[found]);
      if (std::ranges::find(conditions_, name) != conditions_.end()) {
        next();
        return Term(TermKind::condition, name);
      }
      if (names_own_range(name)) return node_range();
    }
    return relation();
  }

  /// `list.scrolled = end and strip.scrolled = 120`
  void positions() {
    do {
      const std::string text(at().text);
      constexpr std::string_view behind = ".scrolled";
      if (at().kind != Token::Kind::name || !text.ends_with(behind))
        fail("expected a scroll position, as in list.scrolled = end");
      std::vector<NodeId> nodes;
      try {
        nodes = named(std::string_view(text).substr(0, text.size() - behind.size()));
      } catch (const BadQuantity& fault) {
        fail(fault.what());
      }
      for (const NodeId node : nodes) require_scroller(node);
      next();
      want("=");
      const bool end = is("end");
      if (!end && at().kind != Token::Kind::number)
        fail("expected a number of pixels from where the content begins, or end");
      const double to = end ? Solution::scroll_end : at().number;
      next();
      for (const NodeId node : nodes) {
        if (std::ranges::find(terms_.scrolled, node, &Solution::ScrolledTo::node) != terms_.scrolled.end())
          fail(scene_.tree.short_path(node) + " has two scroll positions; keep one");
        terms_.scrolled.push_back({node, to, to});
      }
    } while (take("and"));
  }
  void require_scroller(NodeId node) const {
    const auto scrolls = [&](const When& when) {
      return when.node == node && when.change.sets("scroll") && when.change.values().scroll != Scroll::none;
    };
    if (!is_container(scene_.tree.kind(node)))
      fail(scene_.tree.short_path(node) + " has no children to scroll; name a container");
    if (scene_.tree.keys(node).scroll == Scroll::none && std::ranges::none_of(scene_.whens, scrolls))
      fail(scene_.tree.short_path(node) + " does not scroll; give it \"scroll\", or name a scroller");
  }

  /// Whether a name is a node range of some nodes, as `card.tight`.
  [[nodiscard]] bool names_own_range(const std::string& name) const {
    try {
      return name.find('.') != std::string::npos && measure_named(scene_.tree, name) == Measure::node_range;
    } catch (const BadQuantity&) {
      return false;  // reported when it is read as a quantity
    }
  }
  Term node_range() {
    const std::string text(next().text);
    const std::size_t dot = text.rfind('.');
    Term found(TermKind::node_range, text.substr(dot + 1));
    found.set = set_of(text.substr(0, dot));
    return found;
  }

  Term predicate(TermKind kind) {
    next();
    want("(");
    Term found(kind);
    ++inside_function_;
    do {
      found.parts.push_back(kind == TermKind::same ? sum() : nodes());
    } while (take(","));
    --inside_function_;
    if (kind == TermKind::inside_of && found.parts.size() != 2)
      fail("inside takes two nodes: the inner one, then the outer one");
    want(")");
    return found;
  }

  Term relation() {
    Term first = sum();
    if (is(":")) return ratio(std::move(first));
    Term chain(TermKind::chain);
    chain.parts.push_back(std::move(first));
    while (const auto link = take_link()) {
      const bool rises = *link == Link::less || *link == Link::at_most,
                 falls = *link == Link::more || *link == Link::at_least;
      for (const Link other : chain.links) {
        if ((rises && (other == Link::more || other == Link::at_least)) ||
            (falls && (other == Link::less || other == Link::at_most))) {
          fail("one chain cannot mix < and >");
        }
      }
      chain.links.push_back(*link);
      chain.parts.push_back(sum());
    }
    if (chain.links.empty()) fail("expected a comparison here: =, <, <=, >, >= or :");
    return chain;
  }

  std::optional<Link> take_link() {
    static constexpr std::array<std::string_view, 5> links{"=", "<", "<=", ">", ">="};
    const auto found = std::ranges::find(links, at().text);
    if (at().kind != Token::Kind::mark || found == links.end()) return {};
    next();
    return static_cast<Link>(found - links.begin());
  }

  Term ratio(Term first) {
    Term found(TermKind::ratio);
    found.parts.push_back(std::move(first));
    while (take(":")) found.parts.push_back(sum());
    want("=");
    do {
      if (at().kind != Token::Kind::number) fail("expected a number here");
      found.numbers.push_back(next().number);
    } while (take(":"));
    if (found.numbers.size() != found.parts.size()) fail("a ratio needs one number per term");
    return found;
  }

  Term binary(Term first, TermKind kind, Term second) {
    Term both(kind);
    both.parts.push_back(std::move(first));
    both.parts.push_back(std::move(second));
    return both;
  }
  Term sum() {
    Term found = product();
    while (is("+") || is("-")) {
      const TermKind kind = next().text == "+" ? TermKind::plus : TermKind::minus;
      found = binary(std::move(found), kind, product());
    }
    return found;
  }
  Term product() {
    Term found = factor();
    while (is("*") || is("/")) {
      const TermKind kind = next().text == "*" ? TermKind::times : TermKind::divided;
      found = binary(std::move(found), kind, factor());
    }
    return found;
  }

  Term factor() {
    if (++depth_ > limits::deepest_claim) fail("this claim is nested too deeply");
    Term found = factor_inside();
    --depth_;
    return found;
  }
  Term factor_inside() {
    if (take("-")) {
      Term negative(TermKind::minus_sign);
      negative.parts.push_back(factor());
      return negative;
    }
    if (take("(")) {
      Term inside = sum();
      want(")");
      return inside;
    }
    if (at().kind == Token::Kind::number) {
      Term number(TermKind::number);
      number.number = next().number;
      return number;
    }
    if (at().kind != Token::Kind::name) fail("expected a number, a quantity as in beds.width, or a function here");
    if (tokens_[place_ + 1].text == "(") return fold();
    return quantity();
  }

  Term fold() {
    static constexpr std::array<TermKind, 4> folds{TermKind::sum_of, TermKind::min_of, TermKind::max_of,
                                                   TermKind::count_of};
    const auto found = static_cast<std::size_t>(std::ranges::find(functions, at().text) - functions.begin());
    const std::string name = "\"" + std::string(at().text) + "\" ";
    if (found == functions.size())
      fail(name + "is not a function" + word_hint(at().text, functions, Vocabulary::functions));
    if (found < predicate_count) fail(name + "returns no number; expected a number or a quantity here");
    Term folded(folds[found - predicate_count]);
    const char* begin = at().text.data();
    next();
    want("(");
    ++inside_function_;
    do {
      folded.parts.push_back(folded.kind == TermKind::count_of ? nodes() : sum());
    } while (folded.kind != TermKind::count_of && take(","));
    --inside_function_;
    const std::string_view last = at().text;
    want(")");
    folded.text.assign(begin, last.data() + last.size());
    return folded;
  }

  Term quantity() {
    const Token token = at();
    const std::string text(token.text);
    if (text == "container.width" || text == "container.height") {
      next();
      return Term(text.ends_with("width") ? TermKind::container_width : TermKind::container_height, text);
    }
    const std::size_t dot = text.rfind('.');
    if (dot == std::string::npos) {
      if (std::ranges::find(functions, token.text) != functions.end())
        fail("\"" + text + "\" is a function; add its arguments in parentheses");
      if (names_nodes(text)) fail("\"" + text + "\" names nodes, not numbers; add a measure, as in " + text + ".width");
      std::vector<std::string_view> words(conditions_.begin(), conditions_.end());
      words.insert(words.end(), functions.begin(), functions.end());
      fail("\"" + text + "\" is not a quantity (as in beds.width), range or mode" + near(text, words));
    }
    refuse_close_operator(text, dot, token.column);
    Term found(TermKind::quantity, text);
    try {
      found.measure = measure_named(scene_.tree, text);
      found.set = set_of(text.substr(0, dot));
    } catch (const BadQuantity& fault) {
      fail(fault.what());
    }
    next();
    return found;
  }

  Term nodes() {
    if (at().kind != Token::Kind::name) fail("expected a node here");
    const std::string text(at().text);
    Term found(TermKind::nodes, text);
    try {
      found.set = set_of(text);
    } catch (const BadQuantity& fault) {
      const std::string node = text.substr(0, text.rfind('.'));
      fail(node != text && names_nodes(node) ? "expected a node without a measure here: " + node : fault.what());
    }
    next();
    return found;
  }

  [[nodiscard]] bool names_nodes(const std::string& pattern) {
    try {
      return !named(pattern).empty();
    } catch (const BadQuantity&) {
      return false;
    }
  }

  /// Throws BadQuantity.
  std::size_t set_of(const std::string& pattern) {
    auto& sets = terms_.sets;
    std::size_t place = 0;
    while (place < sets.size() && sets[place].pattern != pattern) ++place;
    if (place == sets.size()) sets.push_back({pattern, named(pattern), pattern.find('*') != std::string::npos});
    auto& bound = terms_.bound;
    if (inside_function_ == 0 && sets[place].many && std::ranges::find(bound, place) == bound.end())
      bound.push_back(place);
    return place;
  }

  /// The node of a path, or all nodes of a pattern. Throws BadQuantity.
  [[nodiscard]] std::vector<NodeId> named(std::string_view pattern) {
    std::optional<std::string> first;
    if (has_lists_) first = with_first_entries(scene_.tree, pattern);
    if (first && *first != pattern) terms_.of_entries = true;
    try {
      std::vector<NodeId> nodes = nodes_named(scene_.tree, pattern);
      const auto lies_in = [&](NodeId node) { return lies_in_list(scene_.tree, node); };
      const bool many = pattern.find('*') != std::string_view::npos && has_lists_;
      if (many && std::ranges::any_of(nodes, lies_in)) terms_.of_entries = true;
      return nodes;
    } catch (const BadQuantity&) {
      if (entries_ == Entries::stand_in && first) return nodes_named(scene_.tree, *first);
      throw;
    }
  }

  const Scene& scene_;
  std::vector<Token> tokens_;
  Entries entries_;
  bool has_lists_;
  std::vector<std::string> conditions_;
  std::size_t place_ = 0, depth_ = 0, inside_function_ = 0;
  ClaimTerms terms_;
};

}  // namespace

ClaimTerms parse_claim(const Scene& scene, std::string_view text, Entries entries) {
  return Parser(scene, text, entries).parse();
}

}  // namespace fond_ladder::inline v0::detail
