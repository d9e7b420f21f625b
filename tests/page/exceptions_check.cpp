// SPDX-License-Identifier: MIT
//
// The page's run time of exceptions (src/page/engine/exceptions.cpp) on its own, in WebAssembly: each check below is
// what the language promises. exceptions_check.py runs it in a browser.
#include <cstdint>
#include <exception>
#include <memory>
#include <new>
#include <stdexcept>
#include <string>
#include <vector>

namespace {

int destroyed = 0;
struct Counted {
  ~Counted() { ++destroyed; }
};

int alive = 0;
struct Base {
  Base() { ++alive; }
  Base(const Base&) { ++alive; }
  virtual ~Base() { --alive; }
  [[nodiscard]] virtual int value() const { return 1; }
};
struct Derived : Base {
  [[nodiscard]] int value() const override { return 2; }
};
struct Other {};
struct Twofold : Other, Base {  // its Base does not lie where it begins
  int padding = 7;
  [[nodiscard]] int value() const override { return 3; }
};

[[noreturn]] void deep(int levels) {
  const Counted counted;
  if (levels == 0) throw Derived();
  deep(levels - 1);
}

bool caught_by_its_type() {
  try {
    throw 7;
  } catch (const std::string&) {
    return false;
  } catch (int value) {
    return value == 7;
  }
}

bool caught_by_a_base() {
  try {
    throw Derived();
  } catch (const Base& base) {
    return base.value() == 2 && alive == 1;
  }
}

bool caught_by_a_base_that_lies_behind() {
  try {
    throw Twofold();
  } catch (const Base& base) {
    return base.value() == 3 && static_cast<const Twofold&>(base).padding == 7;
  }
}

bool caught_by_value_and_freed() {
  try {
    throw Derived();
  } catch (Base base) {  // NOLINT: a copy is what is asked for
    return base.value() == 1 && alive == 2;
  }
}

bool caught_as_pointer() {
  static Derived one;
  try {
    throw &one;
  } catch (const Base* base) {
    return base == &one;
  }
}

bool not_caught_by_what_it_is_not() {
  try {
    try {
      throw Other();
    } catch (const Base&) {
      return false;
    } catch (int) {
      return false;
    }
  } catch (const Other&) {
    return true;
  }
  return false;
}

bool destructors_run_on_the_way() {
  destroyed = 0;
  try {
    deep(9);
  } catch (...) {
    return destroyed == 10;
  }
}

bool thrown_again_it_is_the_same() {
  const void* first = nullptr;
  try {
    try {
      throw Derived();
    } catch (Base& base) {
      first = &base;
      throw;
    }
  } catch (const Derived& same) {
    return &same == first && alive == 1;
  }
  return false;
}

bool nested_handlers() {
  std::string order;
  try {
    try {
      throw std::runtime_error("outer");
    } catch (const std::runtime_error& outer) {
      try {
        throw std::logic_error("inner");
      } catch (const std::exception& inner) {
        order += inner.what();
      }
      order += outer.what();
      throw std::out_of_range("last");
    }
  } catch (const std::logic_error& error) {
    order += error.what();
  }
  return order == "innerouterlast";
}

bool thrown_out_of_a_handler_the_first_dies() {
  try {
    try {
      throw Derived();
    } catch (const Base&) {
      throw 1;
    }
  } catch (int) {
    return alive == 0;
  }
  return false;
}

bool thrown_while_unwinding_and_caught_there() {
  struct Careful {
    bool* seen;
    ~Careful() {
      try {
        throw std::string("within");
      } catch (const std::string& text) {
        *seen = text == "within" && std::uncaught_exceptions() == 1;
      }
    }
  };
  bool seen = false;
  try {
    const Careful careful{&seen};
    throw Other();
  } catch (const Other&) {
    return seen && std::uncaught_exceptions() == 0;
  }
}

bool kept_for_later() {
  std::exception_ptr kept;
  try {
    throw Derived();
  } catch (...) {
    kept = std::current_exception();
  }
  if (alive != 1) return false;
  try {
    std::rethrow_exception(kept);
  } catch (const Base& base) {
    if (base.value() != 2) return false;
  }
  kept = nullptr;
  return alive == 0;
}

bool a_constructor_that_throws_undoes_what_is_done() {
  struct Half {
    Counted first;
    Half() { throw 3; }
  };
  destroyed = 0;
  try {
    const auto half = std::make_unique<Half>();
  } catch (int) {
    return destroyed == 1;
  }
  return false;
}

bool the_librarys_own_are_caught() {
  const std::vector<int> none;
  try {
    if (none.empty()) throw std::bad_alloc();
  } catch (const std::exception& error) {
    return std::string(error.what()).find("alloc") != std::string::npos;
  }
  return false;
}

bool many_leave_nothing_behind() {
  for (int i = 0; i < 100000; ++i) {
    try {
      if (i % 2 == 0) throw Derived();
      throw std::runtime_error(std::string(200, 'x'));
    } catch (const Base&) {
    } catch (const std::exception&) {
    }
  }
  return alive == 0;
}

struct Check {
  const char* name;
  bool (*holds)();
};
#define FOND_LADDER_CHECK(name) \
  { #name, name }
const Check checks[] = {
    FOND_LADDER_CHECK(caught_by_its_type),
    FOND_LADDER_CHECK(caught_by_a_base),
    FOND_LADDER_CHECK(caught_by_a_base_that_lies_behind),
    FOND_LADDER_CHECK(caught_by_value_and_freed),
    FOND_LADDER_CHECK(caught_as_pointer),
    FOND_LADDER_CHECK(not_caught_by_what_it_is_not),
    FOND_LADDER_CHECK(destructors_run_on_the_way),
    FOND_LADDER_CHECK(thrown_again_it_is_the_same),
    FOND_LADDER_CHECK(nested_handlers),
    FOND_LADDER_CHECK(thrown_out_of_a_handler_the_first_dies),
    FOND_LADDER_CHECK(thrown_while_unwinding_and_caught_there),
    FOND_LADDER_CHECK(kept_for_later),
    FOND_LADDER_CHECK(a_constructor_that_throws_undoes_what_is_done),
    FOND_LADDER_CHECK(the_librarys_own_are_caught),
    FOND_LADDER_CHECK(many_leave_nothing_behind),
};

}  // namespace

extern "C" {

int __attribute__((export_name("how_many"))) how_many() {
  return static_cast<int>(std::size(checks));
}
const char* __attribute__((export_name("name_of"))) name_of(int which) {
  return checks[which].name;
}
int __attribute__((export_name("holds"))) holds(int which) {
  alive = 0;
  return checks[which].holds() ? 1 : 0;
}
/// Nobody catches it: the instance ends.
void __attribute__((export_name("uncaught"))) uncaught() {
  throw 1;
}

}  // extern "C"
