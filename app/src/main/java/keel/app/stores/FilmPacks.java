package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Packs of film sheets, cut to size: from whom, how many are left, which films came from them and how those ended. */
@Service
@Transactional
public class FilmPacks {

    private static final List<String> MATERIALS = List.of("FEP", "PFA", "OTHER");

    private final Logbook logbook;
    private final FilmPackRecords records;
    private final Clock clock;

    FilmPacks(Logbook logbook, FilmPackRecords records, Clock clock) {
        this.logbook = logbook;
        this.records = records;
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
            findings.when(material == null || !MATERIALS.contains(material), "material", "Choose the material.");
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
        return records.all().stream().map(FilmPacks::view).toList();
    }

    private static Pack view(FilmPackRecords.Used used) {
        FilmPack p = used.pack();
        return new Pack(
                p.code,
                p.supplier,
                p.lot,
                p.material,
                p.thicknessMm,
                p.lengthMm,
                p.widthMm,
                p.sheets,
                p.spoiled,
                (int) used.films(),
                (int) used.ended(),
                (int) used.damaged(),
                p.price,
                p.at,
                p.retiredAt != null);
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
        FilmPack pack = new FilmPack();
        pack.code = "K" + records.nextNumber();
        pack.supplier = entry.supplier().strip();
        pack.lot = Typed.orNull(entry.lot());
        pack.material = entry.material();
        pack.thicknessMm = entry.thicknessMm();
        pack.lengthMm = entry.lengthMm();
        pack.widthMm = entry.widthMm();
        pack.sheets = entry.sheets();
        pack.price = entry.price();
        pack.at = clock.instant();
        pack.personId = keeper.personId();
        records.save(pack);
        note(
                pack,
                String.format(
                        Locale.ROOT,
                        "Pack %s: %d sheets of %s %s mm from %s.",
                        pack.code,
                        entry.sheets(),
                        entry.material(),
                        entry.thicknessMm(),
                        entry.supplier().strip()),
                keeper);
        return pack.code;
    }

    /**
     * A sheet of it is to become a film; whoever else takes one waits.
     *
     * @throws Refused where none is left on record
     */
    public void requireLeft(String code) {
        if (records.lock(code).isPresent() && one(code).left() < 1) {
            Pack pack = one(code);
            throw new Refused(
                    "pack",
                    "No sheet of " + code + " is left: all " + pack.sheets()
                            + " were made into films or spoiled. Choose another pack, or none.");
        }
    }

    /** Sheets that never became a film: cut wrong, dented, torn. Negative takes it back. */
    public void spoil(String code, Integer sheets, String why) {
        Actor actor = Actor.current();
        FilmPack kept = locked(code);
        Pack pack = one(code);
        Findings findings = new Findings();
        findings.when(
                sheets == null || sheets == 0 || sheets > pack.left() || pack.spoiled() + sheets < 0,
                "spoiled",
                "Between 1 and " + pack.left() + " sheets can be spoiled; " + pack.left() + " are left.");
        findings.text(why, 200, "why", "What happened to them");
        Refused.unless(findings);
        kept.spoiled += sheets;
        note(
                kept,
                "Pack " + code + ": " + sheets + (sheets == 1 ? " sheet" : " sheets") + " spoiled, " + why.strip()
                        + ".",
                actor);
    }

    /** Given away or thrown away, or back in use. */
    public void retire(String code, boolean retired) {
        Actor keeper = Actor.require(Role.KEEPER);
        FilmPack kept = locked(code);
        kept.retiredAt = retired ? clock.instant() : null;
        note(kept, "Pack " + code + (retired ? " is out of use." : " is in use again."), keeper);
    }

    private FilmPack locked(String code) {
        return records.lock(code).orElseThrow(() -> new NotThere("There is no pack called " + code + "."));
    }

    private Pack one(String code) {
        return all().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no pack called " + code + "."));
    }

    private void note(FilmPack pack, String headline, Actor by) {
        logbook.write(LogDraft.of(
                LogKind.FILM_PACK,
                null,
                "FILM_PACK",
                pack.id,
                clock.instant(),
                headline,
                Map.of("pack", pack.code),
                by));
    }
}
