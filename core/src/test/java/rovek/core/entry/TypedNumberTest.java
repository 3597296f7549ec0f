package rovek.core.entry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.OwnUnit;
import rovek.core.unit.UnitCatalogue;
import rovek.core.wording.Sentence;

/** Numbers typed into a field in whichever unit stands on the plate. */
class TypedNumberTest {

    private static final Entry POWER = new Entry.Number(0, 10_000);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "7,5 kW|7.5",
                "7.5|7.5",
                "7,5|7.5",
                "7500 W|7.5",
                "40.0|40.0",
                "1 200 W|1.2",
                "''|''",
                "5 bar|5 bar",
                "5 furlong|5 furlong",
                "a lot|a lot"
            })
    void aNumberIsKeptInTheFieldsUnit(String typed, String kept) {
        assertThat(POWER.kept("kW", typed, KnownUnits.CATALOGUE)).isEqualTo(kept);
    }

    @Test
    void aUnitOfOnesOwnIsReadToo() {
        KnownUnits known = new KnownUnits(List.of(new OwnUnit("hp", UnitCatalogue.WATT, "745.7", "0").unit()));
        assertThat(POWER.kept("kW", "10 hp", known)).isEqualTo("7.457");
        assertThat(POWER.fault(Sentence.plain("Power"), "kW", POWER.kept("kW", "10 hp", known)))
                .isEmpty();
    }

    @Test
    void whatCannotBeReadIsRefusedAsTyped() {
        assertThat(POWER.fault(Sentence.plain("Power"), "kW", POWER.kept("kW", "5 bar", KnownUnits.CATALOGUE)))
                .hasValueSatisfying(reason -> assertThat(reason.values()).containsEntry("value", "5 bar"));
        assertThat(new Entry.Text(10).kept("", "5 bar", KnownUnits.CATALOGUE)).isEqualTo("5 bar");
    }
}
