package rovek.server.judging.unitspelling;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface UnitSpellingRepository extends Repository<UnitSpellingEntity, String> {

    List<UnitSpellingEntity> findAllByOrderByWritten();

    @Modifying(clearAutomatically = true)
    @Query("""
            INSERT INTO UnitSpellingEntity (written, symbol) VALUES (:written, :symbol)
            ON CONFLICT (written) DO UPDATE SET symbol = excluded.symbol""")
    void put(String written, String symbol);

    void deleteById(String written);
}
