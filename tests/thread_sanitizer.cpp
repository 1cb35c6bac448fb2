// What the thread sanitizer is told of libraries that it cannot look into.

/// The toolkit's own locks are made of futexes, which the sanitizer does not see in a library that was not built with
/// it. So the conditions of its pool of threads look as if they were destroyed while a thread that has ended, and was
/// waited for, still used them: on a busy machine now and then. That one function is left out. And decoders of video
/// count who uses a piece of memory by atomic numbers that it does not see either: what they allocate on one thread of
/// theirs and free on another is left out.
extern "C" const char* __tsan_default_suppressions() {
  return "race:QWaitCondition::~QWaitCondition\nrace:av_malloc\n";
}
