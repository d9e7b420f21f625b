// SPDX-License-Identifier: MIT
#include "model/packed_keys.hpp"

#include <cstring>
#include <type_traits>
#include <vector>

#include "model/key_table.hpp"

namespace fond_ladder::inline v0::detail {
namespace {

constexpr std::size_t head = sizeof(std::uint16_t);

class Packer {
 public:
  explicit Packer(std::vector<std::uint8_t>& bytes) : bytes_(bytes) {}

  template <class Value>
  bool put(const Value& value) {
    if constexpr (std::is_trivially_copyable_v<Value>) {
      const auto* begin = reinterpret_cast<const std::uint8_t*>(&value);
      bytes_.insert(bytes_.end(), begin, begin + sizeof(Value));
    }
    return std::is_trivially_copyable_v<Value>;
  }
  bool put(const std::string& word) {
    constexpr std::size_t longest = 255;
    if (word.size() > longest) return false;
    bytes_.push_back(static_cast<std::uint8_t>(word.size()));
    bytes_.insert(bytes_.end(), word.begin(), word.end());
    return true;
  }
  bool put(const Length& length) { return put(length.unit()) && put(length.amount()); }
  bool put(const Sizing& sizing) {
    return put(sizing.way()) && (sizing.way() != Sizing::Way::by_length || put(sizing.length()));
  }
  bool put(const Limit& limit) { return put(limit.has_value()) && (!limit || put(*limit)); }
  bool put(const Edges& edges) {
    std::uint8_t given = 0;
    for (std::size_t i = 0; i < side_words.size(); ++i) given |= edges.given(side(i)) ? 1U << i : 0U;
    put(given);
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      if (const auto edge = edges.given(side(i))) put(edge->is_automatic()), put(edge->length());
    }
    return true;
  }

 private:
  static Side side(std::size_t i) { return static_cast<Side>(i); }
  std::vector<std::uint8_t>& bytes_;
};

class Unpacker {
 public:
  explicit Unpacker(const std::uint8_t* at) : at_(at) {}
  [[nodiscard]] const std::uint8_t* at() const { return at_; }

  template <class Value>
  void get(Value& value) {
    if constexpr (std::is_trivially_copyable_v<Value>) {
      std::memcpy(&value, at_, sizeof(Value));
      at_ += sizeof(Value);
    }
  }
  void get(std::string& word) {
    word.assign(at_ + 1, at_ + 1 + *at_);
    at_ += 1 + *at_;
  }
  void get(Length& length) {
    Length::Unit unit{};
    double amount = 0;
    get(unit);
    get(amount);
    length = Length(amount, unit);
  }
  void get(Sizing& sizing) {
    Sizing::Way way{};
    get(way);
    switch (way) {
      case Sizing::Way::by_container: sizing = automatic; break;
      case Sizing::Way::by_content: sizing = content; break;
      case Sizing::Way::by_space: sizing = fill; break;
      case Sizing::Way::by_length: {
        Length length;
        get(length);
        sizing = length;
      }
    }
  }
  void get(Limit& limit) {
    bool given = false;
    get(given);
    limit.reset();
    if (given) get(limit.emplace());
  }
  void get(Edges& edges) {
    edges = {};
    std::uint8_t given = 0;
    get(given);
    for (std::size_t i = 0; i < side_words.size(); ++i) {
      if ((given >> i & 1U) == 0) continue;
      bool is_automatic = false;
      Length length;
      get(is_automatic);
      get(length);
      edges.set(static_cast<Side>(i), is_automatic ? Edge(automatic) : Edge(length));
    }
  }

 private:
  const std::uint8_t* at_;
};

std::size_t count_of(const std::uint8_t* bytes) {
  std::uint16_t count = 0;
  std::memcpy(&count, bytes, head);
  return count;
}

}  // namespace

PackedKeys::PackedKeys(const PackedKeys& other) {
  if (other.empty()) return;
  bytes_ = std::make_unique<std::uint8_t[]>(other.memory());
  std::memcpy(bytes_.get(), other.bytes_.get(), other.memory());
}

PackedKeys& PackedKeys::operator=(const PackedKeys& other) {
  if (this != &other) *this = PackedKeys(other);
  return *this;
}

bool PackedKeys::take(const Keys& keys, const Keys& plain) {
  std::vector<std::uint8_t> bytes;
  for (const KeyEntry& entry : key_table()) {
    const bool fits = std::visit(
        [&](auto field) {
          if (keys.*field == plain.*field) return true;
          bytes.push_back(static_cast<std::uint8_t>(place_of(entry)));
          return Packer(bytes).put(keys.*field);
        },
        entry.field);
    if (!fits) return false;
  }
  const auto count = static_cast<std::uint16_t>(bytes.size());
  bytes_ = std::make_unique<std::uint8_t[]>(head + bytes.size());
  std::memcpy(bytes_.get(), &count, head);
  std::memcpy(bytes_.get() + head, bytes.data(), bytes.size());
  return true;
}

void PackedKeys::put_into(Keys& keys) const {
  if (empty()) return;
  const std::uint8_t *at = bytes_.get() + head, *behind = bytes_.get() + memory();
  while (at < behind) {
    Unpacker unpacker(at + 1);
    std::visit([&](auto field) { unpacker.get(keys.*field); }, key_table()[*at].field);
    at = unpacker.at();
  }
}

std::size_t PackedKeys::memory() const {
  return empty() ? 0 : head + count_of(bytes_.get());
}

}  // namespace fond_ladder::inline v0::detail
