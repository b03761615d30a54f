package keel.app.floor.patterns;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import keel.core.pattern.Pattern;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Trait;
import org.springframework.web.util.UriComponentsBuilder;

/** Patterns in the words of the shop: what it is, what speaks for it, what to do. */
final class Wording {

    private final ToldPrints.Prints prints;

    Wording(ToldPrints.Prints prints) {
        this.prints = prints;
    }

    String text(Pattern p) {
        return subject(p.group()) + ": " + count(p.own()) + " failed, of all others " + count(p.rest()) + ".";
    }

    static String count(Counts c) {
        return c.failed() + " of " + c.prints();
    }

    /** The prints of a group as the beginning of a sentence. */
    String subject(Group group) {
        String name = prints.name(group);
        return switch (group.trait()) {
            case MACHINE -> "Prints of " + name;
            case MODEL -> "Prints of machines of model " + name;
            case ROOM -> "Prints in the " + name;
            case RESIN -> "Prints of " + name;
            case BOTTLE -> "Prints after bottle " + name + " was poured in";
            case FILM -> "Prints over film " + name;
            case FILM_PACK -> "Prints over film of pack " + name;
            case SCREEN -> "Prints on screen " + name;
            case PROFILE -> "Prints with " + name;
            case JOB -> "Prints of " + name;
            case DETAIL -> "Prints of " + name + " detail";
            case FILE -> "Prints whose file was " + name;
            case WARMTH -> "Prints begun at " + name;
            case HOUR -> "Prints begun " + name;
            case WEEKDAY -> "Prints begun on a " + name;
        };
    }

    List<PatternFinding.Reason> because(Pattern p) {
        List<PatternFinding.Reason> because = new ArrayList<>();
        if (!p.alike().isEmpty()) {
            because.add(reason("The same prints are told by " + named(p.alike())
                    + ": which of them it is, they cannot say. One print that has only the one would tell."));
        }
        if (!p.behind().isEmpty()) {
            because.add(reason("Beside it " + named(p.behind()) + " stood out as well; among other prints "
                    + (p.behind().size() == 1 ? "it does" : "they do") + " no more."));
        }
        because.add(reason(
                p.likeWithLike() == Pattern.Like.HOLDS
                        ? "It is the same among prints that are alike in job, resin or detail."
                        : "Too few of these prints have their like elsewhere: it may be what is printed."));
        because.add(reason("Looked at alone, luck would bring so much " + chance(p.p())
                + "; among all the looks that were taken it still stands out."));
        return because;
    }

    static String chance(double p) {
        return p < 0.0001
                ? "less than once in ten thousand looks"
                : String.format(Locale.ROOT, "once in %,.0f looks", 1 / p);
    }

    static PatternFinding.Reason reason(String text) {
        return new PatternFinding.Reason(text, null);
    }

    private String named(List<Group> groups) {
        return groups.stream()
                .map(g -> g.trait() == Trait.PROFILE || g.trait() == Trait.WARMTH
                        ? prints.name(g)
                        : g.trait().words() + " " + prints.name(g))
                .collect(Collectors.joining(", "));
    }

    PatternFinding.Advice advice(Group group) {
        return AdviceWords.of(group, prints.name(group));
    }

    static String path(String template, String value) {
        return UriComponentsBuilder.fromPath(template)
                .encode()
                .buildAndExpand(value)
                .toUriString();
    }
}
