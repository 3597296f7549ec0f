package rovek.server.judging.reading;

import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;

/** Writes what was not measured as null: JSON knows no NaN. */
final class GapsAsNull extends ValueSerializer<float[]> {

    @Override
    public void serialize(float[] values, JsonGenerator json, SerializationContext context) {
        json.writeStartArray(values, values.length);
        for (float value : values) {
            if (Float.isNaN(value)) {
                json.writeNull();
            } else {
                json.writeNumber(value);
            }
        }
        json.writeEndArray();
    }
}
