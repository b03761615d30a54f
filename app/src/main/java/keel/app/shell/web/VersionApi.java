package keel.app.shell.web;

import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.info.BuildProperties;
import org.springframework.boot.info.GitProperties;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class VersionApi {

    private final String version;
    private final String commit;
    private final Flyway flyway;

    VersionApi(ObjectProvider<BuildProperties> build, ObjectProvider<GitProperties> git, Flyway flyway) {
        this.version =
                build.stream().map(BuildProperties::getVersion).findFirst().orElse("development");
        this.commit =
                git.stream().map(GitProperties::getShortCommitId).findFirst().orElse(null);
        this.flyway = flyway;
    }

    /**
     * What runs here.
     *
     * @param commit abbreviated; null where it was built outside of a working copy
     * @param schema of the records, the number of the latest migration
     */
    record Version(String version, String commit, String schema) {}

    @GetMapping("/api/v1/version")
    Version version() {
        MigrationInfo current = flyway.info().current();
        return new Version(
                version, commit, current == null ? null : current.getVersion().toString());
    }
}
