package rovek.server.base.wording;

import rovek.core.nameplate.AssetClass;
import rovek.core.nameplate.Attribute;
import rovek.core.setup.SetupForm;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.Technique;
import rovek.core.wording.Sentence;

/** What the program's own things are called: in English as the core calls them, in other languages by message files. */
public final class Names {

    private Names() {}

    public static Sentence technique(Technique technique) {
        return Sentence.named("names.technique:" + technique.id(), technique.name());
    }

    public static Sentence setting(Technique technique, SettingDefinition setting) {
        return Sentence.named("names.setting:" + technique.id() + "." + setting.key(), setting.name());
    }

    public static Sentence result(ResultDefinition result) {
        return Sentence.named("names.result:" + result.id(), result.name());
    }

    public static Sentence assetClass(AssetClass assetClass) {
        return Sentence.named("names.class:" + assetClass.id(), assetClass.name());
    }

    public static Sentence plateLine(Attribute attribute) {
        return Sentence.named("names.plate:" + attribute.key(), attribute.name());
    }

    public static Sentence setup(SetupForm form) {
        return Sentence.named("names.setup:" + form.id(), form.name());
    }

    public static Sentence setupField(SettingDefinition field) {
        return Sentence.named("names.field:" + field.key(), field.name());
    }
}
