package alcabala.server.platform;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// The description of the API that the screens' types are generated from.
@Configuration
class ApiDescription {
    /// What may be absent, anywhere or in one place; everything else is always there.
    private static final Set<String> MAY_BE_NULL = Set.of(
            "Since.notTogether",
            "MasterValuesJson.sourceChanged",
            "WhoChangedJson.source",
            "WhoChangedJson.ledger",
            "MasterValuesJson.ledgerChanged",
            "RunRecordJson.date",
            "Settle.ledgers",
            "ChoiceJson.keeps",
            "DecideSettings.onlyNext",
            "SendJson.keeps",
            "SendJson.ownList",
            "OwnListRead.id",
            "SendJson.allowed",
            "SendJson.layout",
            "SendJson.replaces",
            "SendJson.dated",
            "ChoiceJson.dated",
            "BatchJson.dated",
            "BatchJson.firstId",
            "BatchJson.undoes",
            "BatchJson.undoneBy",
            "TakenBackJson.on",
            "UndoJournalJson.on",
            "UndoJson.lockedThrough",
            "UndoJson.reversedOn",
            "UndoOrderJson.on",
            "MailJson.sentAt",
            "LoadJson.endedAt",
            "BankingSheetJson.banking",
            "BankingJson.batch",
            "ChoiceJson.bankings",
            "SendJson.bankings",
            "ChoiceJson.options",
            "SendJson.options",
            "LastLoad.load",
            "LastCutOver.cutOver",
            "CutOverRow.here",
            "CutOverRow.there",
            "OpenSide.record",
            "UndoChoiceJson.on",
            "KnownLayout.id",
            "LogEntry.batch",
            "LogEntry.documentId",
            "LogEntry.date",
            "HeldJson.failedRuns",
            "Detail.leftAlone",
            "PracticeJson.namedAfter",
            "PracticeJson.rightedAfter",
            "PractiseWanted.fault",
            "AlertRuleJson.waitingDays",
            "AlertRuleJson.consentDays",
            "AlertRuleRequest.waitingDays",
            "AlertRuleRequest.consentDays",
            "RunJson.plannedAt",
            "RunJson.finishedAt",
            "RunJson.problem",
            "RunJson.carried",
            "RunDetail.before",
            "ScheduleJson.firstAt",
            "ScheduleJson.nextAt",
            "ScheduleJson.setAt",
            "KeepJson.id",
            "SettleJson.number",
            "SettleJson.reason",
            "OwnListAsked.sheet",
            "OwnListAsked.numbers",
            "OwnListAsked.amounts",
            "OwnListAsked.sign",
            "OwnListAsked.hidden",
            "CrosswalkChange.meaning",
            "Why.postedUnder",
            "ChangeRow.note",
            "Supposed.note",
            "BulkRows.from",
            "BulkRows.moment",
            "ChangeRow.meaning",
            "Supposed.meaning",
            "RowSaved.correction",
            "MonthMoved.correctOn",
            "Correction.settledAt",
            "SettleCorrection.ledgerNumber",
            "BulkCodes.meaning",
            "BulkTried.id",
            "BulkChange.undoneAt",
            "ChoiceJson.currency",
            "SendJson.currency",
            "row",
            "fix",
            "suggestion",
            "before",
            "after",
            "tax",
            "journal",
            "sending",
            "finishedAt",
            "lastUsedAt",
            "pulledAt",
            "consentEndsAt",
            "LedgerJson.expiresAt",
            "WantedToken.name",
            "WantedToken.purposes",
            "WantedToken.route",
            "WantedToken.days",
            "SetupJson.route",
            "AcceptSuggestions.codes",
            "AskConsent.ledger",
            "ConsentGiven.ledger",
            "ConnectSource.source",
            "ConnectSource.app",
            "SettingJson.setAt",
            "Previewed.documentId",
            "ListsOutcome.pull",
            "ConnectSource.name",
            "UseConsent.name",
            "crossedAt",
            "dueDate",
            "WantedConventions.days",
            "WantedConventions.figures",
            "WantedConventions.weekBegins",
            "WantedConventions.zone",
            "RowInHand.purpose",
            "RowInHand.main",
            "Further.now",
            "ids",
            "purchases",
            "payments",
            "Settled.batch",
            "from",
            "to",
            "independentTotal",
            "reason",
            "remove");
    /// Work that is under way has come to nothing yet.
    private static final Set<String> OF_OPEN_WORK = Set.of("result", "problem");
    private static final Set<String> ALWAYS_THERE = Set.of(
            "DocumentRow.tax",
            "QuietHours.from",
            "QuietHours.until",
            "AddQuietHours.from",
            "AddQuietHours.until",
            "RunFigure.before",
            "DryDocument.tax",
            "DryOne.journal",
            "WouldChange.before",
            "WouldChange.after",
            "AccountSums.before",
            "AccountSums.after",
            "Unclear.reason",
            "BulkRow.before",
            "BulkRow.after",
            "BatchJson.reason",
            "SetAside.reason",
            "Option.reason",
            "Suggested.reason",
            "ShownJson.tax",
            "BatchJson.independentTotal",
            "BatchJson.tax",
            "PreviewJson.tax",
            "TaxBreakdown.tax",
            "Computation.tax",
            "WhyLine.tax",
            "SideLine.tax",
            "BothSidesTax.tax",
            "BothSides.journal",
            "LedgerSide.journal",
            "DocumentJson.tax",
            "BankingSheetJson.before",
            "BankingPreviewJson.journal",
            "DocumentJson.journal");

    @Bean
    OpenApiCustomizer required() {
        return api -> {
            api.info(new Info().title("Alcabala").version("1"));
            api.setServers(null);
            api.getComponents().getSchemas().forEach(ApiDescription::require);
        };
    }

    private static void require(String name, Schema<?> schema) {
        if (schema.getProperties() == null) {
            return;
        }
        List<String> required = new ArrayList<>();
        for (Map.Entry<String, ?> property : schema.getProperties().entrySet()) {
            String place = name + "." + property.getKey();
            boolean open = name.startsWith("Work") && OF_OPEN_WORK.contains(property.getKey());
            boolean mayBeNull = open || MAY_BE_NULL.contains(property.getKey()) || MAY_BE_NULL.contains(place);
            if (!mayBeNull || ALWAYS_THERE.contains(place)) {
                required.add(property.getKey());
            }
        }
        schema.setRequired(required);
    }

    @Bean
    OpenAPI api() {
        return new OpenAPI();
    }
}
