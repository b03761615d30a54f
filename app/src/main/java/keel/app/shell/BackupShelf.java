package keel.app.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Where the daily backups lie: one a day of the last seven days that had one, and one a week of the last eight. */
final class BackupShelf {

    private static final Pattern NAME = Pattern.compile("keel-(\\d{4}-\\d\\d-\\d\\d)\\.zip");
    private static final int DAYS = 7;
    private static final int WEEKS = 8;

    private final Path folder;

    BackupShelf(Path folder) {
        this.folder = folder;
    }

    /** A backup of a day of the shop. */
    record Kept(LocalDate day, Path file, long bytes) {}

    Path folder() {
        return folder;
    }

    Path file(LocalDate day) {
        return folder.resolve("keel-" + day + ".zip");
    }

    /** Newest first. */
    List<Kept> all() throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        List<Kept> kept = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                Matcher name = NAME.matcher(file.getFileName().toString());
                if (name.matches()) {
                    day(name.group(1), file, kept);
                }
            }
        }
        kept.sort(Comparator.comparing(Kept::day).reversed());
        return kept;
    }

    private static void day(String text, Path file, List<Kept> into) throws IOException {
        try {
            into.add(new Kept(LocalDate.parse(text), file, Files.size(file)));
        } catch (DateTimeException e) {
            // somebody else's file
        }
    }

    /** Takes away what is neither of the last days nor the newest of one of the last weeks. */
    void thinOut() throws IOException {
        List<Kept> all = all();
        Set<LocalDate> keep = keep(all.stream().map(Kept::day).toList());
        for (Kept kept : all) {
            if (!keep.contains(kept.day())) {
                Files.deleteIfExists(kept.file());
            }
        }
    }

    /** @param days newest first */
    static Set<LocalDate> keep(List<LocalDate> days) {
        Set<LocalDate> keep = new HashSet<>(days.subList(0, Math.min(DAYS, days.size())));
        Set<String> weeks = new HashSet<>();
        for (LocalDate day : days) {
            String week = day.get(IsoFields.WEEK_BASED_YEAR) + "-" + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
            if (weeks.size() < WEEKS && weeks.add(week)) {
                keep.add(day);
            }
        }
        return keep;
    }
}
