package fret.mark;

/** Which notes the player vibrates by a rule of their own. */
public final class VibratoRuleLayer extends WholeWordLayer<VibratoRule> {
  public static final VibratoRuleLayer RULE = new VibratoRuleLayer();

  private VibratoRuleLayer() {
    super("vibrato-rule", Concern.HAND, VibratoRule.USUAL);
  }
}
