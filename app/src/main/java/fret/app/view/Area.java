package fret.app.view;

/** The areas in the order in which players work, each with its question. */
enum Area {
  SHELF("Shelf", "What is due today?"),
  PART("Part", "What is on the page?"),
  LEFT_HAND("Left hand", "Which fingers, and why?"),
  PLAN("Plan", "Will I be ready?"),
  PRACTISE("Practise", "What do I play now?"),
  JOURNAL("Journal", "How far have I come?");

  private final String title;
  private final String question;

  Area(String title, String question) {
    this.title = title;
    this.question = question;
  }

  String title() {
    return title;
  }

  String question() {
    return question;
  }
}
