package rovek.server.people.unit;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.unit.Amount;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenAmount;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.people.account.Account;
import rovek.server.people.account.Accounts;

@RestController
@RequestMapping("/api/units")
class UnitController {

    private static final int LONGEST = 60;

    private final UnitChoices choices;
    private final OwnUnits own;
    private final Accounts accounts;

    UnitController(UnitChoices choices, OwnUnits own, Accounts accounts) {
        this.choices = choices;
        this.own = own;
        this.accounts = accounts;
    }

    record UnitsWanted(List<UnitChoices.WantedUnit> choices) {}

    /** A number in a unit. */
    record ReadAmount(double value, String unit) {}

    private UUID me(Principal principal) {
        return accounts.byName(principal.getName())
                .map(Account::id)
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.account")));
    }

    @GetMapping
    UnitChoices.UnitView view(Principal principal) {
        return choices.view(me(principal));
    }

    @PutMapping("/everybody")
    UnitChoices.UnitView chooseForEverybody(@RequestBody UnitsWanted wanted, Principal principal) {
        choices.choose(UnitChoices.EVERYBODY, wanted.choices());
        return view(principal);
    }

    @PutMapping("/mine")
    UnitChoices.UnitView chooseForMe(@RequestBody UnitsWanted wanted, Principal principal) {
        choices.choose(me(principal), wanted.choices());
        return view(principal);
    }

    @PostMapping("/own")
    UnitChoices.UnitView add(@RequestBody OwnUnits.OwnUnitLine wanted, Principal principal) {
        own.add(wanted);
        return view(principal);
    }

    /** A unit may hold a slash: it is no part of the path. */
    @DeleteMapping("/own")
    UnitChoices.UnitView remove(@RequestParam String symbol, Principal principal) {
        own.remove(symbol);
        return view(principal);
    }

    /**
     * A number as a person types it, with or without a unit, in the unit of a field.
     *
     * @param isDifference whether the field is for a change or a width, which is never shifted
     */
    @GetMapping("/read")
    ReadAmount read(
            @RequestParam String text, @RequestParam String unit, @RequestParam("difference") boolean isDifference) {
        if (text.length() > LONGEST || unit.length() > LONGEST) {
            throw new DomainProblem.Invalid("text", Sentence.of("people.numberTooLong", "most", LONGEST));
        }
        try {
            KnownUnits known = own.known();
            UnitOfMeasure field = known.find(unit).orElseGet(() -> UnitCatalogue.get(unit.isEmpty() ? "1" : unit));
            Amount typed = WrittenAmount.read(text, field, known);
            double value = isDifference
                    ? typed.unit().convertDifference(typed.value(), field)
                    : typed.in(field).value();
            return new ReadAmount(value, unit);
        } catch (Refused unreadable) {
            throw new DomainProblem.Invalid("text", unreadable.sentence());
        }
    }
}
