package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Packs of film sheets, cut to size: from whom, how many are left, which films came from them and how those ended. */
@Service
@Transactional
public class FilmPacks {

    private static final List<String> MATERIALS = List.of("FEP", "PFA", "OTHER");

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    FilmPacks(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A pack as it is bought or cut. {@code price} is for one sheet, null if not known. */
    public record PackEntry(
            String supplier,
            String lot,
            String material,
            Double thicknessMm,
            Double lengthMm,
            Double widthMm,
            Integer sheets,
            Double price) {

        Findings findings() {
            Findings findings = new Findings();
            findings.text(supplier, 80, "supplier", "The supplier");
            findings.when(lot != null && lot.length() > 60, "lot", "A lot may have 60 characters at most.");
            findings.when(!MATERIALS.contains(material), "material", "Choose the material.");
            findings.range(thicknessMm, 0.02, 1, "thicknessMm", "The thickness", "mm");
            findings.range(lengthMm, 20, 5000, "lengthMm", "The length of a sheet", "mm");
            findings.range(widthMm, 20, 5000, "widthMm", "The width of a sheet", "mm");
            findings.range(sheets == null ? null : sheets.doubleValue(), 1, 5000, "sheets", "The number of sheets", "");
            findings.rangeIfGiven(price, 0, 100_000, "price", "The price of a sheet", "");
            return findings;
        }
    }

    /**
     * A pack with what became of it.
     *
     * @param used films made from it
     * @param spoiled sheets that were cut wrong, dented or torn before they were a film
     * @param ended films of it that have ended, {@code damaged} of them dented or pierced
     */
    public record Pack(
            String code,
            String supplier,
            String lot,
            String material,
            double thicknessMm,
            double lengthMm,
            double widthMm,
            int sheets,
            int spoiled,
            int used,
            int ended,
            int damaged,
            Double price,
            Instant at,
            boolean retired) {

        public int left() {
            return Math.max(0, sheets - spoiled - used);
        }

        /** Whether a sheet of it covers a ring that needs so much, either way round. */
        public boolean covers(double longMm, double shortMm) {
            return Math.max(lengthMm, widthMm) >= longMm && Math.min(lengthMm, widthMm) >= shortMm;
        }

        public String words() {
            return String.format(
                    Locale.ROOT,
                    "%s: %s %s mm, %s, %d left",
                    code,
                    material,
                    Double.toString(thicknessMm),
                    supplier,
                    left());
        }
    }

    @Transactional(readOnly = true)
    public List<Pack> all() {
        return jdbc.sql(
                        """
                select p.code, p.supplier, p.lot, p.material, p.thickness_mm, p.length_mm, p.width_mm, p.sheets,
                p.spoiled, count(c.id), count(c.ended_at),
                  count(case when c.end_reason in ('DENTED', 'PIERCED') then 1 end), p.price, p.at, p.retired_at
                from film_pack p left join component c on c.pack_id = p.id and not c.withdrawn
                group by p.id, p.code, p.supplier, p.lot, p.material, p.thickness_mm, p.length_mm, p.width_mm,
                p.sheets, p.spoiled, p.price, p.at, p.retired_at order by p.id desc""")
                .query((row, i) -> new Pack(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getDouble(5),
                        row.getDouble(6),
                        row.getDouble(7),
                        row.getInt(8),
                        row.getInt(9),
                        row.getInt(10),
                        row.getInt(11),
                        row.getInt(12),
                        row.getObject(13, Double.class),
                        row.getObject(14, OffsetDateTime.class).toInstant(),
                        row.getObject(15) != null))
                .list();
    }

    /** Packs that have sheets left. */
    @Transactional(readOnly = true)
    public List<Pack> inUse() {
        return all().stream().filter(p -> !p.retired() && p.left() > 0).toList();
    }

    /** @return its code */
    public String add(PackEntry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        Refused.unless(entry.findings());
        String code = "K"
                + (jdbc.sql("select coalesce(max(cast(substring(code, 2) as int)), 0) from film_pack")
                                .query(Integer.class)
                                .single()
                        + 1);
        jdbc.sql(
                        """
                insert into film_pack (code, supplier, lot, material, thickness_mm, length_mm, width_mm, sheets,
                spoiled, price, at, person_id)
                values (?, ?, ?, ?, ?, ?, ?, ?, 0, ?, ?, ?)""")
                .params(
                        code,
                        entry.supplier().strip(),
                        entry.lot() == null || entry.lot().isBlank()
                                ? null
                                : entry.lot().strip(),
                        entry.material(),
                        entry.thicknessMm(),
                        entry.lengthMm(),
                        entry.widthMm(),
                        entry.sheets(),
                        entry.price(),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        keeper.personId())
                .update();
        note(
                code,
                String.format(
                        Locale.ROOT,
                        "Pack %s: %d sheets of %s %s mm from %s.",
                        code,
                        entry.sheets(),
                        entry.material(),
                        entry.thicknessMm(),
                        entry.supplier().strip()),
                keeper);
        return code;
    }

    /** Sheets that never became a film: cut wrong, dented, torn. Negative takes it back. */
    public void spoil(String code, Integer sheets, String why) {
        Actor actor = Actor.current();
        Pack pack = one(code);
        Findings findings = new Findings();
        findings.when(
                sheets == null || sheets == 0 || sheets > pack.left() || pack.spoiled() + sheets < 0,
                "spoiled",
                "Between 1 and " + pack.left() + " sheets can be spoiled; " + pack.left() + " are left.");
        findings.text(why, 200, "why", "What happened to them");
        Refused.unless(findings);
        jdbc.sql("update film_pack set spoiled = spoiled + ? where code = ?")
                .params(sheets, code)
                .update();
        note(
                code,
                "Pack " + code + ": " + sheets + (sheets == 1 ? " sheet" : " sheets") + " spoiled, " + why.strip()
                        + ".",
                actor);
    }

    /** Given away or thrown away, or back in use. */
    public void retire(String code, boolean retired) {
        Actor keeper = Actor.require(Role.KEEPER);
        one(code);
        jdbc.sql("update film_pack set retired_at = ? where code = ?")
                .params(retired ? clock.instant().atOffset(ZoneOffset.UTC) : null, code)
                .update();
        note(code, "Pack " + code + (retired ? " is out of use." : " is in use again."), keeper);
    }

    private Pack one(String code) {
        return all().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no pack called " + code + "."));
    }

    private void note(String code, String headline, Actor by) {
        long id = jdbc.sql("select id from film_pack where code = ?")
                .param(code)
                .query(Long.class)
                .single();
        logbook.write(LogDraft.of(
                LogKind.FILM_PACK, null, "FILM_PACK", id, clock.instant(), headline, Map.of("pack", code), by));
    }
}
