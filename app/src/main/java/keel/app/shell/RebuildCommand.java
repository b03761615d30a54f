package keel.app.shell;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Reckons again all that rooms keep of what follows from the record, and says what was wrong. */
@Component
public class RebuildCommand {

    private static final int SHOWN = 20;

    private final List<KeptFigures> kept;

    RebuildCommand(List<KeptFigures> kept) {
        this.kept = kept;
    }

    /** One line for each room's figures, and the first of what was wrong below it. */
    public String run() {
        return String.join("\n", kept.stream().flatMap(RebuildCommand::lines).toList());
    }

    private static Stream<String> lines(KeptFigures figures) {
        List<String> wrong = figures.again();
        if (wrong.isEmpty()) {
            return Stream.of(figures.name() + ": all as on record.");
        }
        Stream<String> first = wrong.stream().limit(SHOWN).map(w -> "  " + w);
        return Stream.concat(Stream.of(figures.name() + ": " + wrong.size() + " put right."), first);
    }
}
