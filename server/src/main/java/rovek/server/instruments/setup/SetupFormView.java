package rovek.server.instruments.setup;

import java.util.List;
import rovek.core.entry.Entry;
import rovek.core.setup.SetupField;
import rovek.core.setup.SetupForm;
import rovek.core.wording.Sentence;
import rovek.server.base.wording.Names;
import rovek.server.base.wording.Option;

/**
 * A kind of set-up, as a page builds its form from it.
 *
 * @param rowName what a row of the repeated part is called
 */
public record SetupFormView(
        String id,
        Sentence name,
        List<SetupFieldView> fields,
        Sentence rowName,
        List<SetupFieldView> rowFields,
        int mostRows) {

    /** How a field is filled in. */
    public enum FieldKind {
        NUMBER,
        CHOICE,
        TEXT,
        MOMENT
    }

    /**
     * A field.
     *
     * @param options to choose from; empty unless it is a choice
     * @param whenKey key of the field that decides whether this one is asked for; blank where it always is
     * @param whenValues what that field says where this one is asked for
     */
    public record SetupFieldView(
            String key,
            Sentence name,
            String unit,
            String usual,
            FieldKind kind,
            List<Option> options,
            String whenKey,
            List<String> whenValues) {}

    static SetupFormView of(SetupForm form) {
        return new SetupFormView(
                form.id(),
                Names.setup(form),
                form.fields().stream().map(SetupFormView::field).toList(),
                Entry.option(form.rowName()),
                form.rowFields().stream().map(SetupFormView::field).toList(),
                form.mostRows());
    }

    private static SetupFieldView field(SetupField field) {
        var definition = field.definition();
        return new SetupFieldView(
                definition.key(),
                definition.called(SetupForm.FIELDS),
                definition.unit(),
                definition.defaultValue(),
                kind(definition.kind()),
                Option.of(definition.kind().options()),
                field.whenKey(),
                field.whenValues().stream().sorted().toList());
    }

    private static FieldKind kind(Entry entry) {
        if (entry instanceof Entry.Number) {
            return FieldKind.NUMBER;
        }
        if (entry instanceof Entry.Choice) {
            return FieldKind.CHOICE;
        }
        return entry instanceof Entry.Moment ? FieldKind.MOMENT : FieldKind.TEXT;
    }
}
