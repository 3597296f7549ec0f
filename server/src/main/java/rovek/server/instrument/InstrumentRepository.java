package rovek.server.instrument;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface InstrumentRepository extends Repository<InstrumentEntity, UUID> {

    InstrumentEntity save(InstrumentEntity instrument);

    Optional<InstrumentEntity> findById(UUID id);

    List<InstrumentEntity> findBySerialAndKnownBy(String serial, String knownBy);

    List<InstrumentEntity> findAllByOrderByModelAscSerialAsc();
}
