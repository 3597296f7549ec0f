package rovek.server.judging.unitspelling;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface UnitSpellingRepository extends Repository<UnitSpellingEntity, String> {

    @Query("SELECT s.written, s.symbol FROM UnitSpellingEntity s ORDER BY s.written")
    List<UnitSpellings.Spelling> said();

    @Modifying
    @Query("""
            INSERT INTO UnitSpellingEntity (written, symbol) VALUES (:written, :symbol)
            ON CONFLICT (written) DO UPDATE SET symbol = excluded.symbol""")
    void put(String written, String symbol);

    @Modifying
    @Query("DELETE FROM UnitSpellingEntity s WHERE s.written = :written")
    void remove(String written);
}
