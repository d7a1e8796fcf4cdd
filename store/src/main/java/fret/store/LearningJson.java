package fret.store;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.deser.std.StdDeserializer;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.ser.std.StdDelegatingSerializer;
import com.fasterxml.jackson.databind.util.StdConverter;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import fret.base.Fractions;
import fret.base.Said;
import fret.format.json.FormJson;
import fret.session.Learning;
import java.io.IOException;
import java.time.LocalDate;
import java.util.Optional;
import java.util.function.Function;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * What there is to learn in a passage as JSON text. It is kept for speed alone: its shape is that
 * of the records, and a text of another shape is passed over.
 */
final class LearningJson {
  private static final ObjectMapper MAPPER =
      JsonMapper.builder()
          .addModule(new Jdk8Module())
          .addModule(
              new SimpleModule()
                  .addSerializer(written(Fraction.class, Fractions::text))
                  .addDeserializer(Fraction.class, new Text<>(Fraction.class, Fractions::parse))
                  .addSerializer(written(LocalDate.class, LocalDate::toString))
                  .addDeserializer(LocalDate.class, new Text<>(LocalDate.class, LocalDate::parse))
                  .addSerializer(written(Said.class, s -> FormJson.text(s.form())))
                  .addDeserializer(
                      Said.class, new Text<>(Said.class, t -> Said.read(FormJson.form(t)))))
          .visibility(PropertyAccessor.ALL, Visibility.NONE)
          .visibility(PropertyAccessor.FIELD, Visibility.ANY)
          .visibility(PropertyAccessor.CREATOR, Visibility.ANY)
          .build();

  /** A value that is one text. */
  private static final class Text<T> extends StdDeserializer<T> {
    private static final long serialVersionUID = 1;

    private final transient Function<String, T> read;

    Text(Class<T> type, Function<String, T> read) {
      super(type);
      this.read = read;
    }

    @Override
    public T deserialize(JsonParser in, DeserializationContext context) throws IOException {
      return read.apply(in.getText());
    }
  }

  private LearningJson() {}

  private static <T> StdDelegatingSerializer written(Class<T> type, Function<T, String> text) {
    return new StdDelegatingSerializer(
        type,
        new StdConverter<T, String>() {
          @Override
          public String convert(T value) {
            return text.apply(value);
          }
        });
  }

  static String text(Learning learning) {
    try {
      return MAPPER.writeValueAsString(learning);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Empty where it is no text of today's shape. */
  static Optional<Learning> read(String text) {
    try {
      return Optional.of(MAPPER.readValue(text, Learning.class));
    } catch (JsonProcessingException e) {
      return Optional.empty();
    }
  }
}
