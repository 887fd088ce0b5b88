// A question with up to three answers, its words shown as they are.
#pragma once

#include <QMessageBox>
#include <QPushButton>

namespace wl {

struct Question {
    QString title;
    QString text;
    QString first;    ///< the usual answer, also Enter
    QString second;   ///< the other way
    QString neither;  ///< leaves everything as it is, also Escape
};
enum class Answer { First, Second, Neither };

/// Shows the question and waits. The text is plain: a design's name is never read as markup.
inline Answer ask(QWidget* parent, const Question& question) {
    QMessageBox box(QMessageBox::Question, question.title, question.text, QMessageBox::NoButton,
                    parent);
    box.setTextFormat(Qt::PlainText);
    QPushButton* first = box.addButton(question.first, QMessageBox::AcceptRole);
    QPushButton* second = box.addButton(question.second, QMessageBox::DestructiveRole);
    QPushButton* neither = box.addButton(question.neither, QMessageBox::RejectRole);
    box.setDefaultButton(first);
    box.setEscapeButton(neither);
    box.exec();
    return box.clickedButton() == first    ? Answer::First
           : box.clickedButton() == second ? Answer::Second
                                           : Answer::Neither;
}

}  // namespace wl
