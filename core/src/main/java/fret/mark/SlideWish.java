package fret.mark;

/** What is asked of the slide of a shift into a note. */
public enum SlideWish {
  /** It is meant to be heard: then it costs nothing. */
  HEARD,
  /** It is to be hidden: what would be heard of it costs twice as much. */
  HIDDEN
}
