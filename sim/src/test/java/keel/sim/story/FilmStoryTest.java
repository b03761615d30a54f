package keel.sim.story;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.core.film.Clouding;
import keel.core.film.Recording;
import keel.core.film.TapTone;
import keel.sim.shop.Happening;
import keel.sim.world.Film;
import org.junit.jupiter.api.Test;

/** What the demo tells of its films agrees with what is true behind it, and with itself. */
class FilmStoryTest {

    private static final Story.Told TOLD = Stories.upTo("2026-03-12T14:20:00Z");

    @Test
    void theLastLookShowsTheFilmAsItIs() {
        Map<String, Happening.FilmLooked> last = of(Happening.FilmLooked.class).stream()
                .collect(Collectors.toMap(Happening.FilmLooked::machine, l -> l, (a, b) -> b));
        assertThat(last).hasSizeGreaterThanOrEqualTo(4);
        last.forEach((machine, look) -> {
            Film film = TOLD.history().machines().get(machine).vat().film();
            double now = film.transmittance(
                    TOLD.history().machines().get(machine).cells().count() / 2);
            assertThat(look.uvThrough() / look.uvBare()).as(machine).isCloseTo(now, within(0.01));
            assertThat(look.clouding()).isEqualTo(Clouding.of(now));
            assertThat(look.marks()).hasSize(film.dents());
        });
    }

    @Test
    void anEarlierLookIsOfTheSameFilmAndClearer() {
        for (Happening.FilmLooked look : of(Happening.FilmLooked.class)) {
            Instant changed = changes(look.machine()).stream()
                    .map(Happening::at)
                    .filter(at -> at.isAfter(look.at()))
                    .findFirst()
                    .orElse(null);
            assertThat(changed)
                    .as("no change of film after a look at %s", look.machine())
                    .isNull();
        }
        Map<String, List<Happening.FilmLooked>> looks =
                of(Happening.FilmLooked.class).stream().collect(Collectors.groupingBy(Happening.FilmLooked::machine));
        looks.values().stream().filter(l -> l.size() > 1).forEach(l -> assertThat(
                        l.get(0).clouding().ordinal())
                .isLessThanOrEqualTo(l.get(1).clouding().ordinal()));
    }

    @Test
    void everyTapHasAClearToneAndEachModelAReference() {
        List<Happening.FilmTapped> taps = of(Happening.FilmTapped.class);
        assertThat(taps).isNotEmpty().allSatisfy(t -> {
            assertThat(TapTone.of(Recording.ofWav(t.centre().bytes())).clear()).isTrue();
            assertThat(t.temperatureC()).isBetween(5.0, 35.0);
        });
        assertThat(taps.stream().filter(Happening.FilmTapped::right)).hasSizeLessThanOrEqualTo(3);
    }

    @Test
    void packsHoldTheSheetsThatAreTakenFromThem() {
        List<Happening.PackBought> packs = of(Happening.PackBought.class);
        Map<String, Long> used = TOLD.happenings().stream()
                .filter(h -> h instanceof Happening.ServiceDone s && s.kind().equals("FILM_CHANGE"))
                .map(Happening.ServiceDone.class::cast)
                .collect(Collectors.groupingBy(s -> String.valueOf(s.values().get("pack")), Collectors.counting()));
        assertThat(used).doesNotContainKey("null");
        for (int i = 0; i < packs.size(); i++) {
            assertThat(used.getOrDefault("K" + (i + 1), 0L))
                    .as("from K%d", i + 1)
                    .isLessThanOrEqualTo(packs.get(i).sheets());
        }
    }

    @Test
    void filmsAreCleanedAndHolesCuredOnlyWhileNothingPrints() {
        List<Happening.ServiceDone> done = of(Happening.ServiceDone.class).stream()
                .filter(s -> s.kind().equals("FILM_CLEANED") || s.kind().equals("HOLE_CURED"))
                .toList();
        assertThat(done).hasSizeGreaterThan(20);
        for (Happening.ServiceDone s : done) {
            assertThat(of(Happening.RunDone.class))
                    .noneMatch(r -> r.machine().equals(s.machine())
                            && r.startedAt().isBefore(s.at())
                            && r.at().isAfter(s.at()));
        }
    }

    @Test
    void aHoleThatWasCuredShutEndsWithItsFilm() {
        of(Happening.ServiceDone.class).stream()
                .filter(s -> s.kind().equals("HOLE_CURED"))
                .forEach(hole -> {
                    Happening.ServiceDone next = changes(hole.machine()).stream()
                            .filter(c -> c.at().isAfter(hole.at()))
                            .findFirst()
                            .orElseThrow();
                    assertThat(next.values()).containsEntry("endReason", "PIERCED");
                    assertThat(Duration.between(hole.at(), next.at())).isLessThan(Duration.ofDays(10));
                });
    }

    private static List<Happening.ServiceDone> changes(String machine) {
        return of(Happening.ServiceDone.class).stream()
                .filter(s -> s.machine().equals(machine) && s.kind().equals("FILM_CHANGE"))
                .toList();
    }

    private static <T extends Happening> List<T> of(Class<T> kind) {
        return TOLD.happenings().stream()
                .filter(kind::isInstance)
                .map(kind::cast)
                .toList();
    }
}
