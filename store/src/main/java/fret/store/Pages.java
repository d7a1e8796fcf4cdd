package fret.store;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdSerializer;
import fret.base.Fractions;
import fret.passage.Details;
import fret.pitch.Pitch;
import fret.score.Bar;
import fret.score.Score;
import java.io.IOException;
import java.util.List;
import java.util.function.Function;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Written bars and details as JSON text, and back: the records as they are, fractions and pitches
 * as text.
 */
final class Pages {
  private static final ObjectMapper MAPPER = mapper();

  private Pages() {}

  private static ObjectMapper mapper() {
    SimpleModule module = new SimpleModule();
    text(module, Fraction.class, Fractions::text, Fractions::parse);
    text(module, Pitch.class, Pitch::toString, Pitch::parse);
    return new ObjectMapper()
        .registerModule(module)
        .setVisibility(PropertyAccessor.ALL, JsonAutoDetect.Visibility.NONE)
        .setVisibility(PropertyAccessor.FIELD, JsonAutoDetect.Visibility.ANY)
        .setVisibility(PropertyAccessor.CREATOR, JsonAutoDetect.Visibility.ANY)
        .setSerializationInclusion(JsonInclude.Include.NON_NULL)
        .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);
  }

  private static <T> void text(
      SimpleModule module, Class<T> type, Function<T, String> write, Function<String, T> read) {
    module.addSerializer(
        type,
        new StdSerializer<>(type) {
          private static final long serialVersionUID = 1L;

          @Override
          public void serialize(T value, JsonGenerator out, SerializerProvider provider)
              throws IOException {
            out.writeString(write.apply(value));
          }
        });
    module.addDeserializer(
        type,
        new StdDeserializer<T>(type) {
          private static final long serialVersionUID = 1L;

          @Override
          public T deserialize(JsonParser in, DeserializationContext context) throws IOException {
            return read.apply(in.getText());
          }
        });
  }

  static String of(Bar bar) {
    return write(bar.atStart());
  }

  static Bar bar(String text) {
    return read(text, new TypeReference<>() {});
  }

  static String of(List<Bar> bars) {
    return write(bars.stream().map(Bar::atStart).toList());
  }

  static List<Bar> bars(String text) {
    return read(text, new TypeReference<>() {});
  }

  /** Title, composer, part and transposition, without the bars. */
  static String header(Score page) {
    return write(page.withBars(List.of()));
  }

  static Score page(String header, List<Bar> bars) {
    Score empty = read(header, new TypeReference<>() {});
    return empty.withBars(bars).laidOut();
  }

  static String details(Details details) {
    return write(details);
  }

  /** Details from their text; none from an empty one, as in older libraries. */
  static Details details(String text) {
    return text.isEmpty() ? Details.NONE : read(text, new TypeReference<>() {});
  }

  private static String write(Object value) {
    try {
      return MAPPER.writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new StoreException("A page cannot be written to the library.", e);
    }
  }

  private static <T> T read(String text, TypeReference<T> type) {
    try {
      return MAPPER.readValue(text, type);
    } catch (JsonProcessingException e) {
      throw new StoreException("The library holds a page that cannot be read.", e);
    }
  }
}
