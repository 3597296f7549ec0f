package rovek.core.technique.byhand;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rovek.core.entry.Entry;
import rovek.core.nameplate.Nameplate;
import rovek.core.reading.Capture;
import rovek.core.reading.ValueCapture;
import rovek.core.technique.Analysis;
import rovek.core.technique.ByHand;
import rovek.core.technique.LimitProposal;
import rovek.core.technique.Result;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.SettingValues;
import rovek.core.technique.StopDemand;
import rovek.core.technique.Technique;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** A question that is answered on the spot with yes, written 1, or no, written 0: "Is the guard in place?" */
public final class Question implements Technique {

    private static final String YES = "yes";
    private static final int BYTES = 512;

    @Override
    public String id() {
        return "question";
    }

    @Override
    public String name() {
        return "Question";
    }

    @Override
    public List<SettingDefinition> settings() {
        return List.of(
                new SettingDefinition("question", "Question", "", "", new Entry.Text(120)),
                new SettingDefinition("right", "Right answer", "", YES, new Entry.Choice(List.of(YES, "no"))));
    }

    @Override
    public List<Preset> presets() {
        return List.of(new Preset("Yes or no", Map.of()));
    }

    @Override
    public List<ResultDefinition> results(SettingValues settings) {
        return List.of(
                settings.text("right").equals(YES)
                        ? everyResult().get(0)
                        : everyResult().get(1));
    }

    @Override
    public List<ResultDefinition> everyResult() {
        return List.of(
                new ResultDefinition("answer.yes", "yes", "", UnitCatalogue.YES_OR_NO, Sense.LOWER_IS_WORSE),
                new ResultDefinition(
                        "answer.no", "yes, though no is right", "", UnitCatalogue.YES_OR_NO, Sense.HIGHER_IS_WORSE));
    }

    @Override
    public boolean mayStandTwice(SettingValues settings) {
        return settings.text("question").isBlank();
    }

    @Override
    public String checkName(SettingValues settings) {
        return settings.text("question").isBlank() ? "Yes or no" : settings.text("question");
    }

    @Override
    public StopDemand demand(SettingValues settings) {
        return new StopDemand(BYTES, 5, Set.of());
    }

    /** The right answer is the limit, once a person takes it. */
    @Override
    public List<LimitProposal> proposals(SettingValues settings, Nameplate plate) {
        return List.of(new LimitProposal(
                results(settings).get(0).id(),
                Optional.empty(),
                Optional.of(0.5),
                Sentence.of("byhand.rightAnswer", "answer", settings.text("right"))));
    }

    @Override
    public Optional<ByHand> byHand() {
        return Optional.of(new WrittenAnswer());
    }

    @Override
    public Analysis analyse(Capture capture, SettingValues settings) {
        if (!(capture instanceof ValueCapture given)
                || (given.value().value() != 0 && given.value().value() != 1)) {
            throw new Refused(Sentence.of("byhand.noAnswer"));
        }
        return new Analysis(
                List.of(new Result(
                        results(settings).get(0), new Amount(given.value().value(), UnitCatalogue.YES_OR_NO))),
                List.of(),
                List.of());
    }
}
