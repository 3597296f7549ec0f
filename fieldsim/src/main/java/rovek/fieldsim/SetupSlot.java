package rovek.fieldsim;

import java.util.Optional;
import rovek.core.setup.SetupFault;
import rovek.core.setup.SetupForm;
import rovek.core.setup.SetupForms;
import rovek.core.wording.Sentence;
import rovek.link.packet.PackageException;
import rovek.link.packet.SetupPackage;

/** The one set-up an instrument holds; it takes only what it understands and can carry out. */
final class SetupSlot {

    static final String FILE = "SETUPS/SETUP.zip";

    private final HandheldModel model;
    private final HandheldMemory memory;

    SetupSlot(HandheldModel model, HandheldMemory memory) {
        this.model = model;
        this.memory = memory;
    }

    void load(byte[] bytes) {
        SetupPackage setup = unpack(bytes);
        SetupForm form = SetupForms.find(setup.form())
                .orElseThrow(() -> new HandheldException(Sentence.of("handheld.unknownSetup", "kind", setup.form())));
        String technique = form.needs(setup.content()).technique();
        if (model.options().keySet().stream().noneMatch(technique::equalsIgnoreCase)) {
            throw new HandheldException(Sentence.of("handheld.doesNot", "technique", technique));
        }
        Optional<SetupFault> fault = form.faults(setup.content()).stream().findFirst();
        if (fault.isPresent()) {
            throw new HandheldException(fault.get().reason());
        }
        memory.write(FILE, bytes);
    }

    Optional<SetupPackage> setup() {
        return memory.read(FILE).map(SetupSlot::unpack);
    }

    private static SetupPackage unpack(byte[] bytes) {
        try {
            return SetupPackage.unpack(bytes);
        } catch (PackageException e) {
            throw new HandheldException(e.sentence());
        }
    }
}
