package standins.hullwork;

import java.util.List;
import org.springframework.stereotype.Component;
import standins.hullwork.HullworkRecords.Change;
import tools.jackson.databind.json.JsonMapper;

/// Records as they come from an app that has a bad day.
@Component
class BadRecords {
    private final JsonMapper json;

    BadRecords(JsonMapper json) {
        this.json = json;
    }

    List<Change> all(long cursor) {
        return List.of(
                record(cursor, "document", "bad-1", """
                        {"id":"bad-1","number":"HW-BAD-1","type":"INVOICE","status":"APPROVED","date":"soon","currency":"EUR"}"""),
                record(cursor, "document", "bad-2", """
                        {"id":"bad-2","number":"HW-BAD-2","type":"INVOICE","status":"APPROVED","date":"2026-11-20",
                         "currency":"EUR","customer":"C-1002","net":1e40,"vat":0,"gross":1e40,
                         "lines":[{"no":1,"kind":"GOODS","text":"All the rope there is","quantity":1e40,"unitPrice":1,
                         "amount":1e40,"vatCode":"V0","vatRate":0}]}"""),
                record(cursor, "document", "bad-3", """
                        {"id":"bad-3","number":"HW-\\u0000","type":"INVOICE","lines":"none"}"""),
                record(cursor, "customer", "bad-4", "[\"a customer that is a list\"]"));
    }

    private Change record(long cursor, String type, String id, String body) {
        return new Change(cursor, type, id, json.readTree(body));
    }
}
