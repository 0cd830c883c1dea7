package bellrope.server;

import bellrope.format.json.JacksonValue;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How the JSON of requests is read: a list, a set or a map never holds nothing in place of something. */
@Configuration
class JsonRules {
    @Bean
    JsonMapperBuilderCustomizer noNullsInside() {
        return builder -> builder.addModule(JacksonValue.module())
                .changeDefaultNullHandling(
                        usual -> JsonSetter.Value.forContentNulls(Nulls.FAIL).withValueNulls(usual.getValueNulls()));
    }
}
