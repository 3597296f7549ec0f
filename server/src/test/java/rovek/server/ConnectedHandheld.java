package rovek.server;

import java.nio.file.Path;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import rovek.fieldsim.Fieldsim;

/** A vibration instrument that nobody else has, connected before each test and switched off after it. */
abstract class ConnectedHandheld {

    @TempDir
    Path memory;

    final RunningRovek rovek;
    final Caller caller;
    final SmallPlant plant;
    FieldDay field;
    String instrument;

    ConnectedHandheld(RunningRovek rovek) {
        this.rovek = rovek;
        this.caller = Caller.signedIn(rovek);
        this.plant = new SmallPlant(caller);
    }

    @BeforeEach
    void switchOn() {
        field = new FieldDay(Fieldsim.Kind.VIBRATION, UUID.randomUUID().toString(), memory);
        instrument = field.connect(caller);
    }

    @AfterEach
    void switchOff() {
        field.close();
    }
}
