package fret.app.words;

import static org.assertj.core.api.Assertions.assertThat;

import fret.score.Glossary;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Words on the page; meanings are standard terms of the trade, from memory. */
class PageWordListTest {
  private final Glossary list = PageWordList.shipped();

  @Test
  void theUsualWordsAreThere() {
    assertThat(list.size()).isGreaterThan(150);
    assertThat(list.in("Allegro ma non troppo"))
        .extracting(Glossary.Term::word)
        .containsExactly("allegro", "ma non troppo");
    assertThat(list.in("Sul ponticello"))
        .extracting(Glossary.Term::word)
        .containsExactly("sul ponticello");
  }

  @Test
  void aWordInsideAnotherIsNotFound() {
    assertThat(list.in("menuetto")).isEmpty();
    assertThat(list.in("con moto, poi meno mosso"))
        .extracting(Glossary.Term::word)
        .containsExactly("con moto", "meno mosso");
    assertThat(list.in("")).isEmpty();
  }

  @Test
  void thePlayersMeaningStandsOverTheShippedOne() {
    Glossary own = list.with(Map.of("Pesante", "long at the frog", "dolce", "", "hop", "lift it"));
    assertThat(own.in("pesante")).containsExactly(new Glossary.Term("pesante", "long at the frog"));
    assertThat(own.in("dolce")).isEmpty();
    assertThat(own.in("hop!")).containsExactly(new Glossary.Term("hop", "lift it"));
    assertThat(list.in("dolce")).as("the shipped list stays").hasSize(1);
  }
}
