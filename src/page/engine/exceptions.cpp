// SPDX-License-Identifier: MIT
//
// The run time of C++ exceptions on WebAssembly. Debian's libc++abi for wasm is built without one: it knows types and
// which catches which (`can_catch`), but has no code that throws.
//
// How it goes. WebAssembly has exceptions of its own: `throw` with a tag and a value unwinds the machine's stack to the
// next `catch` of that tag. clang makes `throw x` into __cxa_allocate_exception, the construction of x there, and
// __cxa_throw, which here raises the machine's exception with the address of x. Every function with handlers or with
// objects to destroy has a landing pad that catches the tag and
//   1. writes the number of the pad and the address of the function's table (LSDA) into __wasm_lpad_context,
//   2. calls _Unwind_CallPersonality, which reads from that table whether a handler of this pad takes the exception and
//      leaves the handler's number, 0 for none, in the context's `selector`,
//   3. compares the selector, and either enters a handler (__cxa_begin_catch … __cxa_end_catch) or destroys what is to
//      be destroyed and throws on. There is no search ahead of unwinding, as on other machines: each pad looks for
//      itself.
//
// The table of a function, as clang writes it (a shortened form of the Itanium C++ ABI's):
//   byte 0xFF (landing pads begin nowhere in particular) | byte: the encoding of types, 0xFF for none
//   | uleb: from behind itself to the end of the types, where there are some | byte: the encoding of call sites
//   | uleb: the bytes of call sites | pairs of uleb (pad, action) | actions: pairs of sleb (type, way to the next pair)
// An action of 0 means: nothing to catch here. Else action - 1 is where its chain begins, counted from the first
// action. In a chain a positive type is counted backward from the end of the types; a null pointer there is `catch
// (...)`; 0 and negative ones (cleanups; exception specifications, which C++20 does not have) take nothing.
//
// Before a thrown object is a Head. Handlers are counted in it: begin_catch adds one, end_catch takes one away,
// the object dies with its last handler. `throw;` makes the count negative: the end_catch that follows on the way out
// of the handler then counts upward and lets the object live. An std::exception_ptr holds one more reference.
//
// There is one thread. An uncaught exception ends the instance by a trap, as does what the prebuilt libc++ would throw
// (it was built to abort instead); the page then reports that and continues with a new one.
//
// Tests: tests/page/exceptions_check.cpp. Sources: the Itanium C++ ABI, exception handling, level II; WebAssembly
// Exception Handling (the form with `try` and `catch`).
#include <cstdint>
#include <cstdlib>
#include <exception>
#include <typeinfo>

namespace __cxxabiv1 {  // NOLINT: the ABI's own names from here on

/// As libc++abi declares it; the order of virtual functions is what counts.
class __shim_type_info : public std::type_info {
 public:
  ~__shim_type_info() override;
  virtual void noop1() const;
  virtual void noop2() const;
  /// Whether a handler of this type takes `thrown`; `object` becomes the address of what the handler sees of it.
  virtual bool can_catch(const __shim_type_info* thrown, void*& object) const = 0;
};

}  // namespace __cxxabiv1

namespace {

using Type = __cxxabiv1::__shim_type_info;

/// The head before every thrown object.
struct alignas(16) Head {
  std::size_t references;
  const std::type_info* type;
  void* (*destroy)(void*);
  int handlers;    ///< that hold it; negative while it is thrown on by the last of them
  Head* below;     ///< what was caught before it and is still held
  void* adjusted;  ///< what the handler sees: a base of the object, or the object
};

/// All that is caught and still held, the last on top.
Head* caught = nullptr;
unsigned in_flight = 0;

Head* head_of(void* object) {
  return static_cast<Head*>(object) - 1;
}
void* object_of(Head* head) {
  return head + 1;
}

[[noreturn]] void raise(void* object) {
  constexpr int tag = 0;  // that of C++
  __builtin_wasm_throw(tag, object);
}

/// Reads the numbers of a table one after the other (LEB128).
class TableReader {
 public:
  explicit TableReader(const std::uint8_t* at) : at_(at) {}
  [[nodiscard]] const std::uint8_t* at() const { return at_; }
  std::uint8_t byte() { return *at_++; }
  std::uintptr_t natural() {
    std::uintptr_t value = 0;
    int shift = 0;
    for (std::uint8_t more = 0x80; (more & 0x80) != 0; shift += 7) {
      more = byte();
      value |= static_cast<std::uintptr_t>(more & 0x7F) << shift;
    }
    return value;
  }
  std::intptr_t whole() {
    std::uintptr_t value = 0;
    int shift = 0;
    std::uint8_t last = 0x80;
    for (; (last & 0x80) != 0; shift += 7) {
      last = byte();
      value |= static_cast<std::uintptr_t>(last & 0x7F) << shift;
    }
    constexpr int bits = 8 * sizeof(value);
    if ((last & 0x40) != 0 && shift < bits) value |= ~std::uintptr_t{0} << shift;
    return static_cast<std::intptr_t>(value);
  }

 private:
  const std::uint8_t* at_;
};

/// The first action of a landing pad, and the end of the types that actions refer to.
struct Chain {
  const std::uint8_t* action = nullptr;  ///< none: nothing is caught here
  const std::uint8_t* types = nullptr;
};

Chain chain_of(const std::uint8_t* table, std::uintptr_t pad) {
  constexpr std::uint8_t omitted = 0xFF;
  TableReader reader(table);
  if (reader.byte() != omitted) reader.natural();
  Chain chain;
  if (reader.byte() != omitted) {
    const std::uintptr_t size = reader.natural();
    chain.types = reader.at() + size;
  }
  reader.byte();
  const std::uintptr_t sites = reader.natural();
  const std::uint8_t* actions = reader.at() + sites;
  for (std::uintptr_t i = 0; reader.at() < actions; ++i) {
    reader.natural();
    const std::uintptr_t action = reader.natural();
    if (i != pad) continue;
    if (action != 0) chain.action = actions + action - 1;
    break;
  }
  return chain;
}

/// The number of the handler in a chain that takes a thrown object; 0 for none.
std::uintptr_t handler_for(const Chain& chain, Head& head) {
  for (const std::uint8_t* at = chain.action; at != nullptr;) {
    TableReader reader(at);
    const std::intptr_t number = reader.whole();
    if (number > 0) {
      const Type* type = reinterpret_cast<const Type* const*>(chain.types)[-number];
      void* seen = object_of(&head);
      if (type == nullptr || type->can_catch(static_cast<const Type*>(head.type), seen)) {
        head.adjusted = type == nullptr ? object_of(&head) : seen;
        return static_cast<std::uintptr_t>(number);
      }
    }
    const std::uint8_t* from = reader.at();
    const std::intptr_t next = reader.whole();
    at = next == 0 ? nullptr : from + next;
  }
  return 0;
}

}  // namespace

extern "C" {

asm(".globl __cpp_exception\n.tagtype __cpp_exception i32\n__cpp_exception:\n");

/// What a landing pad and the personality pass to each other; clang knows this layout.
struct {
  std::uintptr_t pad;
  std::uintptr_t table;
  std::uintptr_t selector;
} __wasm_lpad_context;

void* __cxa_allocate_exception(std::size_t size) noexcept {
  auto* head = static_cast<Head*>(std::calloc(1, sizeof(Head) + size));
  if (head == nullptr) std::abort();
  return object_of(head);
}
void __cxa_free_exception(void* object) noexcept {
  std::free(head_of(object));
}

void __cxa_increment_exception_refcount(void* object) noexcept {
  if (object != nullptr) ++head_of(object)->references;
}
void __cxa_decrement_exception_refcount(void* object) noexcept {
  if (object == nullptr || --head_of(object)->references > 0) return;
  if (head_of(object)->destroy != nullptr) head_of(object)->destroy(object);
  __cxa_free_exception(object);
}

[[noreturn]] void __cxa_throw(void* object, std::type_info* type, void* (*destroy)(void*)) {
  Head* head = head_of(object);
  head->references = 1;
  head->type = type;
  head->destroy = destroy;
  ++in_flight;
  raise(object);
}

void* __cxa_get_exception_ptr(void* object) noexcept {
  return head_of(object)->adjusted;
}

void* __cxa_begin_catch(void* object) noexcept {
  Head* head = head_of(object);
  head->handlers = (head->handlers < 0 ? -head->handlers : head->handlers) + 1;
  if (caught != head) {
    head->below = caught;
    caught = head;
  }
  --in_flight;
  return head->adjusted != nullptr ? head->adjusted : object;
}

void __cxa_end_catch() {
  Head* head = caught;
  if (head == nullptr) return;
  const bool thrown_on = head->handlers < 0;
  head->handlers += thrown_on ? 1 : -1;
  if (head->handlers != 0) return;
  caught = head->below;
  if (!thrown_on) __cxa_decrement_exception_refcount(object_of(head));
}

[[noreturn]] void __cxa_rethrow() {
  if (caught == nullptr) std::terminate();
  caught->handlers = -caught->handlers;
  ++in_flight;
  raise(object_of(caught));
}

void* __cxa_current_primary_exception() noexcept {
  if (caught == nullptr) return nullptr;
  ++caught->references;
  return object_of(caught);
}
void __cxa_rethrow_primary_exception(void* object) {
  if (object == nullptr) return;
  ++head_of(object)->references;
  ++in_flight;
  raise(object);
}

std::type_info* __cxa_current_exception_type() {
  return caught != nullptr ? const_cast<std::type_info*>(caught->type) : nullptr;
}
unsigned __cxa_uncaught_exceptions() noexcept {
  return in_flight;
}
bool __cxa_uncaught_exception() noexcept {
  return in_flight > 0;
}

/// Named in the tables of other machines; never called here.
int __gxx_personality_wasm0(...) {
  return 0;
}

int _Unwind_CallPersonality(void* object) {
  __wasm_lpad_context.selector = 0;
  if (__wasm_lpad_context.table == 0) return 0;
  const Chain chain =
      chain_of(reinterpret_cast<const std::uint8_t*>(__wasm_lpad_context.table), __wasm_lpad_context.pad);
  __wasm_lpad_context.selector = handler_for(chain, *head_of(object));
  return 0;
}

}  // extern "C"
