#include <gtest/gtest.h>

#include <QCoreApplication>

int main(int count, char** words) {
  const QCoreApplication app(count, words);
  testing::InitGoogleTest(&count, words);
  return RUN_ALL_TESTS();
}
