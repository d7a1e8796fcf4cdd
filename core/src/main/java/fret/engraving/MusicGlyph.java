package fret.engraving;

/**
 * Glyphs of a music font, with their code points in the Standard Music Font Layout (W3C Music
 * Notation Community Group, "SMuFL 1.4", 2021).
 */
public enum MusicGlyph {
  G_CLEF("gClef", 0xE050),
  G_CLEF_8VB("gClef8vb", 0xE052),
  G_CLEF_8VA("gClef8va", 0xE053),
  C_CLEF("cClef", 0xE05C),
  F_CLEF("fClef", 0xE062),
  F_CLEF_8VB("fClef8vb", 0xE064),
  F_CLEF_8VA("fClef8va", 0xE065),
  TIME_0("timeSig0", 0xE080),
  TIME_1("timeSig1", 0xE081),
  TIME_2("timeSig2", 0xE082),
  TIME_3("timeSig3", 0xE083),
  TIME_4("timeSig4", 0xE084),
  TIME_5("timeSig5", 0xE085),
  TIME_6("timeSig6", 0xE086),
  TIME_7("timeSig7", 0xE087),
  TIME_8("timeSig8", 0xE088),
  TIME_9("timeSig9", 0xE089),
  TIME_COMMON("timeSigCommon", 0xE08A),
  TIME_CUT("timeSigCutCommon", 0xE08B),
  TIME_PLUS("timeSigPlus", 0xE08C),
  HEAD_BREVE("noteheadDoubleWhole", 0xE0A0),
  HEAD_WHOLE("noteheadWhole", 0xE0A2),
  HEAD_HALF("noteheadHalf", 0xE0A3),
  HEAD_BLACK("noteheadBlack", 0xE0A4),
  HEAD_DIAMOND_BLACK("noteheadDiamondBlack", 0xE0DB),
  HEAD_DIAMOND_WHITE("noteheadDiamondWhite", 0xE0DD),
  DOT("augmentationDot", 0xE1E7),
  TREMOLO_1("tremolo1", 0xE220),
  TREMOLO_2("tremolo2", 0xE221),
  TREMOLO_3("tremolo3", 0xE222),
  FLAG_8_UP("flag8thUp", 0xE240),
  FLAG_8_DOWN("flag8thDown", 0xE241),
  FLAG_16_UP("flag16thUp", 0xE242),
  FLAG_16_DOWN("flag16thDown", 0xE243),
  FLAG_32_UP("flag32ndUp", 0xE244),
  FLAG_32_DOWN("flag32ndDown", 0xE245),
  FLAG_64_UP("flag64thUp", 0xE246),
  FLAG_64_DOWN("flag64thDown", 0xE247),
  FLAT("accidentalFlat", 0xE260),
  NATURAL("accidentalNatural", 0xE261),
  SHARP("accidentalSharp", 0xE262),
  DOUBLE_SHARP("accidentalDoubleSharp", 0xE263),
  DOUBLE_FLAT("accidentalDoubleFlat", 0xE264),
  ACCENT_ABOVE("articAccentAbove", 0xE4A0),
  ACCENT_BELOW("articAccentBelow", 0xE4A1),
  STACCATO_ABOVE("articStaccatoAbove", 0xE4A2),
  STACCATO_BELOW("articStaccatoBelow", 0xE4A3),
  TENUTO_ABOVE("articTenutoAbove", 0xE4A4),
  TENUTO_BELOW("articTenutoBelow", 0xE4A5),
  STACCATISSIMO_ABOVE("articStaccatissimoAbove", 0xE4A6),
  STACCATISSIMO_BELOW("articStaccatissimoBelow", 0xE4A7),
  MARCATO_ABOVE("articMarcatoAbove", 0xE4AC),
  MARCATO_BELOW("articMarcatoBelow", 0xE4AD),
  FERMATA("fermataAbove", 0xE4C0),
  REST_WHOLE("restWhole", 0xE4E3),
  REST_HALF("restHalf", 0xE4E4),
  REST_QUARTER("restQuarter", 0xE4E5),
  REST_8("rest8th", 0xE4E6),
  REST_16("rest16th", 0xE4E7),
  REST_32("rest32nd", 0xE4E8),
  REST_64("rest64th", 0xE4E9),
  DYNAMIC_P("dynamicPiano", 0xE520),
  DYNAMIC_M("dynamicMezzo", 0xE521),
  DYNAMIC_F("dynamicForte", 0xE522),
  DYNAMIC_R("dynamicRinforzando", 0xE523),
  DYNAMIC_S("dynamicSforzando", 0xE524),
  DYNAMIC_Z("dynamicZ", 0xE525),
  TRILL("ornamentTrill", 0xE566),
  TURN("ornamentTurn", 0xE567),
  TURN_INVERTED("ornamentTurnInverted", 0xE568),
  SHORT_TRILL("ornamentShortTrill", 0xE56C),
  MORDENT("ornamentMordent", 0xE56D),
  DOWN_BOW("stringsDownBow", 0xE610),
  UP_BOW("stringsUpBow", 0xE612),
  HARMONIC("stringsHarmonic", 0xE614),
  METRONOME_WHOLE("metNoteWhole", 0xECA2),
  METRONOME_HALF("metNoteHalfUp", 0xECA3),
  METRONOME_QUARTER("metNoteQuarterUp", 0xECA5),
  METRONOME_EIGHTH("metNote8thUp", 0xECA7),
  METRONOME_16TH("metNote16thUp", 0xECA9);

  private final String smuflName;
  private final int codePoint;

  MusicGlyph(String smuflName, int codePoint) {
    this.smuflName = smuflName;
    this.codePoint = codePoint;
  }

  /** Canonical name in the standard. */
  public String smuflName() {
    return smuflName;
  }

  public int codePoint() {
    return codePoint;
  }

  /** A time signature digit, 0 to 9. */
  static MusicGlyph timeDigit(int digit) {
    return values()[TIME_0.ordinal() + digit];
  }
}
