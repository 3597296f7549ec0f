package rovek.server.base.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The published description of the API, from which the front end's types are made. */
@Configuration
class ApiDescription {

    @Bean
    OpenAPI openApi() {
        return new OpenAPI().info(new Info().title("Rovek").version("1")).servers(List.of(new Server().url("/")));
    }

    /** What may be null says so; everything else is always there. */
    @Bean
    PropertyCustomizer nullableProperties() {
        return (property, type) -> {
            boolean nullable = type.getCtxAnnotations() != null
                    && Arrays.stream(type.getCtxAnnotations()).anyMatch(Nullable.class::isInstance);
            if (nullable && property.getTypes() != null) {
                property.addType("null");
            }
            return withNullAmongWords(property, nullable);
        };
    }

    @SuppressWarnings("unchecked")
    private static Schema<?> withNullAmongWords(Schema<?> property, boolean nullable) {
        if (nullable && property.getEnum() != null && !property.getEnum().contains(null)) {
            ((Schema<Object>) property).addEnumItemObject(null);
        }
        return property;
    }
}
