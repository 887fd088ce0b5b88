// English forms of the words that go with a number.
#pragma once

class QCoreApplication;

namespace wl {

/// "1 pull", "2 pulls": puts resources/words_en.ts under every other language.
void speakEnglish(QCoreApplication& application);

}  // namespace wl
