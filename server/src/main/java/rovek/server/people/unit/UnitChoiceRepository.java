package rovek.server.people.unit;

import jakarta.annotation.Nullable;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface UnitChoiceRepository extends Repository<UnitChoiceEntity, UnitChoiceEntity.Key> {

    @Query("SELECT c.subject, c.kind, c.unit, c.decimals FROM UnitChoiceEntity c WHERE c.subject IN :subjects")
    List<UnitChoices.Choice> of(Collection<UUID> subjects);

    @Modifying
    @Query("""
            INSERT INTO UnitChoiceEntity (subject, kind, unit, decimals)
            VALUES (:subject, :kind, :unit, :decimals)
            ON CONFLICT (subject, kind) DO UPDATE SET unit = excluded.unit, decimals = excluded.decimals""")
    void put(UUID subject, String kind, String unit, @Nullable Integer decimals);

    @Modifying
    @Query("DELETE FROM UnitChoiceEntity c WHERE c.subject = :subject AND c.kind = :kind")
    void remove(UUID subject, String kind);

    @Modifying
    @Query("DELETE FROM UnitChoiceEntity c WHERE c.unit = :unit")
    void removeUnit(String unit);
}
