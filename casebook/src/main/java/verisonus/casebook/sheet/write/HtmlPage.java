package verisonus.casebook.sheet.write;

import org.commonmark.renderer.html.HtmlRenderer;
import verisonus.casebook.sheet.page.Page;

/** A page as HTML that stands alone: styles and drawings inside, nothing fetched, good on a phone and in print. */
public final class HtmlPage {
    private static final String STYLE = """
            :root{color-scheme:light dark;--paper:#fffdf9;--ink:#22252b;--quiet:#66645f;--rule:#d9d2c5}
            @media (prefers-color-scheme:dark){:root{--paper:#202226;--ink:#ece7dc;--quiet:#a5a19a;--rule:#3a3c41}
            svg path[stroke="#6a2c70"]{stroke:#d6a0dc}svg path[stroke="#0b6e6e"]{stroke:#63c9c3}}
            body{font:16px/1.5 Vollkorn,Georgia,serif;color:var(--ink);background:var(--paper);max-width:52rem;margin:1.5rem auto;padding:0 1rem}
            h1{font-size:1.7rem;line-height:1.2}h2{font-size:1.15rem;margin-top:2rem;border-bottom:1px solid var(--rule)}
            table{border-collapse:collapse;width:100%;font:14px/1.45 B612,Verdana,sans-serif;font-variant-numeric:tabular-nums;margin:.6rem 0}
            th{text-align:left;color:var(--quiet);font-weight:normal}
            td,th{padding:.25rem .8rem .25rem 0;border-bottom:1px solid var(--rule);vertical-align:top}td:first-child{font-weight:bold}
            em{color:var(--quiet);font-size:.9rem}figure{margin:1.2rem 0}svg{width:100%;height:auto}svg text{font:11px B612,Verdana,sans-serif;fill:var(--quiet)}
            svg .rule{stroke:var(--rule);stroke-width:.7;fill:none}figcaption{font-size:.9rem;color:var(--quiet)}hr{border:0}
            .large{font-size:1.6rem}.large table{font-size:1.5rem}
            @media (max-width:36rem){table{font-size:13px}td,th{padding-right:.5rem}}
            @media print{body{margin:0;max-width:none;font-size:11pt;background:#fff;color:#000}hr{break-after:page}tr,figure{break-inside:avoid}h2{break-after:avoid}}
            """;

    private HtmlPage() {}

    public static String of(Page page) {
        // Text is escaped as it is put in; only drawings of our own are let through as they are.
        HtmlRenderer body = HtmlRenderer.builder().extensions(MarkdownPage.TABLES).escapeHtml(false).build();
        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n"
                + "<meta name=\"viewport\" content=\"width=device-width,initial-scale=1\">\n<title>"
                + SvgDrawing.escaped(page.title()) + "</title>\n<style>\n" + STYLE + "</style>\n</head>\n<body"
                + (page.isLarge() ? " class=\"large\"" : "") + ">\n" + body.render(MarkdownPage.document(page, true))
                + "</body>\n</html>\n";
    }
}
