package alcabala.server.access;

/// Whose documents somebody may look at: everybody's, or, for operations people, those of their own sites and of them
/// only what became of them (domain, section 9). What is taken to the bank is made by bookkeepers, and theirs.
///
/// @param onlyOf the sign-in of the person whose sites they are; empty when nothing is hidden
public record Sight(String onlyOf) {
    public static final Sight ALL = new Sight("");

    public boolean isLimited() {
        return !onlyOf.isEmpty();
    }

    /// A condition on the table `document d`, to follow another. Its parameter `viewer` is [#onlyOf].
    public String ofDocuments() {
        return isLimited() ? " and d.kind <> 'banking' and " + SEES.formatted("d.source_id", "in ('', d.site)") : "";
    }

    /// A condition on the table `route r`, to follow another. A route without a site carries all that have none of
    /// their own.
    public String ofRoutes() {
        return isLimited() ? " and " + SEES.formatted("r.source_id", "in ('', r.site) or r.site = ''") : "";
    }

    private static final String SEES = """
            exists (select 1 from sight g join person p on p.id = g.person_id
                where p.sign_in = :viewer and g.source_id = %s and (g.site %s))""";
}
