package keel.app.starting;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.prints.RunFiles;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.preflight.FileFinding;
import keel.core.preflight.Silhouette;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Files as they are printed: on which machine, what was decided of what was found, and which runs printed them. */
@Service
@Transactional
public class JobFiles implements RunFiles {

    private static final int LONGEST_REASON = 200;
    private static final int ALIKE = 10;

    private final SlicedFiles files;
    private final FileLimits limits;
    private final FileDecisionRecords decisions;
    private final SlicedFileRecords records;
    private final RunFileRecords runs;
    private final Fleet fleet;
    private final Logbook logbook;
    private final Clock clock;

    JobFiles(
            SlicedFiles files,
            FileLimits limits,
            FileDecisionRecords decisions,
            SlicedFileRecords records,
            RunFileRecords runs,
            Fleet fleet,
            Logbook logbook,
            Clock clock) {
        this.files = files;
        this.limits = limits;
        this.decisions = decisions;
        this.records = records;
        this.runs = runs;
        this.fleet = fleet;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A file.
     *
     * @param layerMm height of a layer, null where it was read before that was kept
     * @param machine code of the machine that it was read for, null for none
     * @param kept whether the file itself is there, so that its layers can be shown
     */
    public record JobFile(
            String hash,
            String name,
            Instant checkedAt,
            Double layerMm,
            Double widthMm,
            Double depthMm,
            String machine,
            boolean kept,
            SlicedFiles.Checked checked) {

        /** What its print is called: its name without what says which kind of file it is. */
        public String job() {
            String bare = name.replaceFirst("\\.[A-Za-z0-9]{1,5}$", "")
                    .replace('_', ' ')
                    .strip();
            return bare.isEmpty() ? name : bare;
        }

        /** What it covers of a plate, "length x width" in mm; empty where that is not known. */
        public Optional<String> footprint() {
            Silhouette top =
                    checked.outline() == null ? null : checked.outline().top();
            if (top == null || top.runs().isEmpty()) {
                return Optional.empty();
            }
            int left = top.runs().stream().mapToInt(Silhouette.Run::from).min().orElse(0);
            int right = top.runs().stream().mapToInt(Silhouette.Run::to).max().orElse(0);
            int first = top.runs().get(0).row();
            int last = top.runs().get(top.runs().size() - 1).row() + 1;
            long across = Math.round(Math.ceil((right - left) * top.widthMm() / top.across()));
            long deep = Math.round(Math.ceil((last - first) * top.heightMm() / top.high()));
            return Optional.of(across + " x " + deep);
        }
    }

    /** @throws NotThere if no file with this content was ever read */
    @Transactional(readOnly = true)
    public JobFile one(String hash) {
        SlicedFile f = files.record(hash);
        return view(f, machine(f));
    }

    private String machine(SlicedFile f) {
        return f.machineId == null
                ? null
                : fleet.refs().stream()
                        .filter(m -> m.id() == f.machineId)
                        .map(m -> m.code())
                        .findFirst()
                        .orElse(null);
    }

    private JobFile view(SlicedFile f, String machine) {
        return new JobFile(
                f.hash,
                f.name,
                f.checkedAt,
                f.layerMm,
                f.widthMm,
                f.depthMm,
                machine,
                files.isThere(f),
                files.checked(f));
    }

    /** @param m machine that it is to be printed on, null for what is found in it on any */
    @Transactional(readOnly = true)
    public FileVerdict verdict(JobFile file, MachineNow m) {
        return verdict(file, m, decisions.of(file.hash()));
    }

    private FileVerdict verdict(JobFile file, MachineNow m, List<FileDecision> decided) {
        Map<Long, String> people = new HashMap<>();
        List<FileVerdict.Judged> judged = new ArrayList<>();
        for (FileFinding f : limits.findings(file.checked(), m)) {
            FileVerdict.Decision decision = decided.stream()
                    .filter(d -> d.about(f))
                    .findFirst()
                    .map(d -> new FileVerdict.Decision(
                            d.id, d.accepted, d.reason, people.computeIfAbsent(d.personId, id -> records.person(id)
                                    .orElse(""))))
                    .orElse(null);
            judged.add(new FileVerdict.Judged(judged.size() + 1, f, decision));
        }
        return new FileVerdict(List.copyOf(judged));
    }

    /**
     * Decides of something that was found; what was decided before counts no more.
     *
     * @param accepted whether it is printed as it is; then why, else it is to be sliced anew
     * @throws Refused if it is accepted without a reason, or is something that nobody found
     */
    public void decide(String hash, FileFinding finding, boolean accepted, String reason) {
        Actor actor = Actor.current();
        SlicedFile file = files.record(hash);
        String why = reason == null ? "" : reason.strip();
        Findings findings = new Findings();
        findings.when(accepted && why.isEmpty(), "reason", "Say why it may be printed as it is.");
        findings.when(why.length() > LONGEST_REASON, "reason", "The reason is longer than 200 characters.");
        Refused.unless(findings);
        decisions.of(hash).stream().filter(d -> d.about(finding)).forEach(d -> d.takenBackAt = clock.instant());
        FileDecision made = new FileDecision();
        made.hash = hash;
        made.code = finding.code();
        made.layer = finding.layer();
        made.xMm = finding.xMm();
        made.yMm = finding.yMm();
        made.accepted = accepted;
        made.reason = why.isEmpty() ? null : why;
        made.personId = actor.personId();
        made.decidedAt = clock.instant();
        decisions.save(made);
        String text = file.name + ", layer " + finding.layer() + ": "
                + (accepted ? "printed as it is, " + why : "to be sliced anew") + ".";
        note(file, text, actor);
    }

    /** What was decided is open again. */
    public void takeBack(String hash, long decision) {
        Actor actor = Actor.current();
        FileDecision made = decisions
                .findById(decision)
                .filter(d -> d.hash.equals(hash))
                .orElseThrow(() -> new NotThere("There is no such decision."));
        if (made.takenBackAt == null) {
            made.takenBackAt = clock.instant();
            SlicedFile file = files.record(hash);
            note(file, file.name + ", layer " + made.layer + ": open again.", actor);
        }
    }

    private void note(SlicedFile file, String text, Actor actor) {
        logbook.write(LogDraft.of(
                LogKind.FILE_DECIDED,
                file.machineId,
                "FILE",
                0,
                clock.instant(),
                text,
                Map.of("hash", file.hash),
                actor));
    }

    /** A run prints this file. */
    public void printed(long run, String hash) {
        SlicedFile file = files.record(hash);
        file.usedAt = clock.instant();
        runs.save(new RunFile(run, file.hash));
    }

    /** The file that a run printed; empty where nobody said. */
    @Transactional(readOnly = true)
    public Optional<JobFile> of(long run) {
        return runs.findById(run).map(r -> one(r.hash));
    }

    /** The file of a job that was read last: the one that is called like it. */
    @Transactional(readOnly = true)
    public Optional<JobFile> named(String job) {
        String called = job.strip();
        return files.latest(called, ALIKE).stream()
                .map(b -> one(b.hash()))
                .filter(f -> f.job().equalsIgnoreCase(called))
                .findFirst();
    }

    /** A file with how far it is, and who read it. */
    public record Line(JobFile file, FileVerdict verdict, String person) {}

    /** The latest first, as they would be printed on any machine; which one they were read for is not asked. */
    @Transactional(readOnly = true)
    public List<Line> list(String like, int most) {
        List<FileBrief> latest = files.latest(like, most);
        List<String> hashes = latest.stream().map(FileBrief::hash).toList();
        Map<String, SlicedFile> whole =
                records.findAllById(hashes).stream().collect(Collectors.toMap(f -> f.hash, Function.identity()));
        Map<String, List<FileDecision>> decided =
                decisions.ofAll(hashes).stream().collect(Collectors.groupingBy(d -> d.hash));
        return latest.stream()
                .map(b -> {
                    JobFile file = view(whole.get(b.hash()), null);
                    return new Line(file, verdict(file, null, decided.getOrDefault(b.hash(), List.of())), b.person());
                })
                .toList();
    }

    /** The last that were read. */
    @Transactional(readOnly = true)
    public List<FileBrief> recent(int most) {
        return files.latest("", most);
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<Ref> fileOf(long run) {
        return runs.findById(run).map(r -> new Ref(r.hash, files.record(r.hash).name));
    }

    /** Runs that printed it, the latest first. */
    @Transactional(readOnly = true)
    public List<FilePrint> prints(String hash) {
        return records.prints(hash);
    }
}
