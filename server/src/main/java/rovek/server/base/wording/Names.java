package rovek.server.base.wording;

import rovek.core.nameplate.AssetClass;
import rovek.core.setup.SetupForm;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Technique;
import rovek.core.wording.Sentence;

/** What the program's own things are called: in English as the core calls them, in other languages by message files. */
public final class Names {

    private Names() {}

    public static Sentence technique(Technique technique) {
        return Sentence.named("names.technique:" + technique.id(), technique.name());
    }

    /** A curve of a technique, or a channel, which is called as whoever recorded it calls it. */
    public static Sentence curve(String id) {
        return Sentence.named("names.curve:" + id, id);
    }

    public static Sentence preset(Technique.Preset preset) {
        return Sentence.named("names.preset:" + preset.name(), preset.name());
    }

    /** An act as it is stored in the audit trail; one that was worded when it was stored as it is. */
    public static Sentence act(String act) {
        return Sentence.named("names.act:" + act, act);
    }

    /** What an act of the audit trail was done to. */
    public static Sentence subject(String subject) {
        return Sentence.named("names.subject:" + subject, subject);
    }

    public static Sentence result(ResultDefinition result) {
        return Sentence.named("names.result:" + result.id(), result.name());
    }

    public static Sentence assetClass(AssetClass assetClass) {
        return Sentence.named("names.class:" + assetClass.id(), assetClass.name());
    }

    public static Sentence setup(SetupForm form) {
        return Sentence.named("names.setup:" + form.id(), form.name());
    }
}
