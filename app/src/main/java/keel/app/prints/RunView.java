package keel.app.prints;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import keel.core.run.Detail;
import keel.core.run.Outcome;
import keel.core.run.RunNumber;

/**
 * A run as it is read.
 *
 * @param hours print hours, null while it runs
 * @param uvHours hours with the UV on, null while it runs
 * @param peels layers that it printed, null while it runs
 * @param usedMl resin that really went into it up to the layer it reached, ml; {@code resinMl} is what the whole takes
 * @param measuredMl the same where somebody looked, null otherwise
 * @param cameOut whether there is something to show for it, null while it runs
 * @param profileVersion number of the profile's version it was printed with, null if none was in force
 * @param detail how much it needs, null where nobody said
 */
public record RunView(
        long id,
        String machine,
        String machineName,
        String job,
        Instant startedAt,
        Instant endedAt,
        int layers,
        double layerExposureS,
        double resinMl,
        Outcome outcome,
        Integer reachedLayer,
        Double hours,
        Double uvHours,
        Long peels,
        Double usedMl,
        Double measuredMl,
        Boolean cameOut,
        boolean withdrawn,
        int version,
        Integer profileVersion,
        Detail detail,
        @JsonIgnore boolean layersGuessed,
        @JsonIgnore boolean exposureGuessed,
        @JsonIgnore boolean resinGuessed) {

    /** Numbers that nobody knew and that were reckoned from how long it went. */
    @JsonProperty
    public Set<RunNumber> guessed() {
        Set<RunNumber> guessed = EnumSet.noneOf(RunNumber.class);
        if (layersGuessed) {
            guessed.add(RunNumber.LAYERS);
        }
        if (exposureGuessed) {
            guessed.add(RunNumber.EXPOSURE);
        }
        if (resinGuessed) {
            guessed.add(RunNumber.RESIN);
        }
        return guessed;
    }

    /** As in "layers, layer exposure and resin". */
    public String guessedWords() {
        List<String> words = guessed().stream().map(RunNumber::words).toList();
        int last = words.size() - 1;
        return last < 1
                ? String.join("", words)
                : String.join(", ", words.subList(0, last)) + " and " + words.get(last);
    }

    public boolean open() {
        return endedAt == null;
    }
}
