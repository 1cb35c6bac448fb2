// Owning what libraries of C hand out.
#pragma once

#include <memory>

namespace widecut {

/// Lets go of an object by a function of its library.
template <auto Destroy>
struct DestroyedBy {
  template <class T>
  void operator()(T* object) const {
    Destroy(object);
  }
};
/// An object of a library of C, and the function that ends it.
template <class T, auto Destroy>
using OwnedBy = std::unique_ptr<T, DestroyedBy<Destroy>>;

}  // namespace widecut
