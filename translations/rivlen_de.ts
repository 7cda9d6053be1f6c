<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
<context>
<name></name>
<message id="Clean the voice">
<source>Clean the voice</source>
<translation>Stimme säubern</translation>
</message>
<message id="In one go: treats what diagnosis is sure of, splits, takes the strength beside, brings the voice to -23 LUFS and delivers it beside the recording, a picture with its new sound (Ctrl+Shift+Return). All of it stays to be changed; one undo takes the settings back">
<source>In one go: treats what diagnosis is sure of, splits, takes the strength beside, brings the voice to -23 LUFS and delivers it beside the recording, a picture with its new sound (Ctrl+Shift+Return). All of it stays to be changed; one undo takes the settings back</source>
<translation>In einem Zug: behandelt, was die Diagnose sicher findet, trennt, nimmt die Stärke daneben, bringt die Stimme auf -23 LUFS und liefert sie neben der Aufnahme aus, ein Bild mit seinem neuen Ton (Ctrl+Shift+Return). Alles bleibt änderbar; ein Schritt zurück nimmt die Einstellungen zurück</translation>
</message>
<message id="Strength of the clean voice">
<source>Strength of the clean voice</source>
<translation>Stärke der sauberen Stimme</translation>
</message>
<message id="How strongly the voice is isolated: as weighing suggests, or as a preset says">
<source>How strongly the voice is isolated: as weighing suggests, or as a preset says</source>
<translation>Wie stark die Stimme freigestellt wird: wie das Abwägen vorschlägt oder wie eine Vorgabe sagt</translation>
</message>
<message id="as suggested">
<source>as suggested</source>
<translation>wie vorgeschlagen</translation>
</message>
<message id="Deliver the clean voice to">
<source>Deliver the clean voice to</source>
<translation>Saubere Stimme ausliefern nach</translation>
</message>
<message id="Add a recording at Intake first.">
<source>Add a recording at Intake first.</source>
<translation>Zuerst im Eingang eine Aufnahme hinzufügen.</translation>
</message>
<message id="A voice is being cleaned already: wait for it, or cancel it below.">
<source>A voice is being cleaned already: wait for it, or cancel it below.</source>
<translation>Eine Stimme wird schon gesäubert: warten oder unten abbrechen.</translation>
</message>
<message id="Cleaning the voice of ">
<source>Cleaning the voice of </source>
<translation>Stimme säubern: </translation>
</message>
<message id="Sets">
<source>Sets</source>
<translation>Sätze</translation>
</message>
<message id="Deliverables for common destinations, and sets of your own">
<source>Deliverables for common destinations, and sets of your own</source>
<translation>Lieferungen für übliche Ziele und eigene Sätze</translation>
</message>
<message id="Add">
<source>Add</source>
<translation>Neu</translation>
</message>
<message id="Another one, like the chosen one">
<source>Another one, like the chosen one</source>
<translation>Noch eine, wie die gewählte</translation>
</message>
<message id="Remove">
<source>Remove</source>
<translation>Entfernen</translation>
</message>
<message id="Takes the chosen one out of the session">
<source>Takes the chosen one out of the session</source>
<translation>Nimmt die gewählte aus der Sitzung</translation>
</message>
<message id="Keep as a set…">
<source>Keep as a set…</source>
<translation>Als Satz merken…</translation>
</message>
<message id="Keep as a set">
<source>Keep as a set</source>
<translation>Als Satz merken</translation>
</message>
<message id="Name of the set">
<source>Name of the set</source>
<translation>Name des Satzes</translation>
</message>
<message id="Read a set from a file…">
<source>Read a set from a file…</source>
<translation>Satz aus einer Datei lesen…</translation>
</message>
<message id="Read a set">
<source>Read a set</source>
<translation>Satz lesen</translation>
</message>
<message id="Sets (*.json)">
<source>Sets (*.json)</source>
<translation>Sätze (*.json)</translation>
</message>
<message id="Write the set to a file…">
<source>Write the set to a file…</source>
<translation>Satz in eine Datei schreiben…</translation>
</message>
<message id="Write the set">
<source>Write the set</source>
<translation>Satz schreiben</translation>
</message>
<message id="Name">
<source>Name</source>
<translation>Name</translation>
</message>
<message id="Unique in the session">
<source>Unique in the session</source>
<translation>Einmalig in der Sitzung</translation>
</message>
<message id="Holds">
<source>Holds</source>
<translation>Enthält</translation>
</message>
<message id="Which lanes of the rebuild">
<source>Which lanes of the rebuild</source>
<translation>Welche Spuren des Aufbaus</translation>
</message>
<message id="the reel&apos;s own">
<source>the reel&apos;s own</source>
<translation>die der Rolle</translation>
</message>
<message id="candidate %1">
<source>candidate %1</source>
<translation>Kandidat %1</translation>
</message>
<message id="Strength">
<source>Strength</source>
<translation>Stärke</translation>
</message>
<message id="At which strength the stems are: natural and fully isolated versions of the same reel">
<source>At which strength the stems are: natural and fully isolated versions of the same reel</source>
<translation>Mit welcher Stärke die Stems sind: natürliche und ganz freigestellte Fassungen derselben Rolle</translation>
</message>
<message id="Loop">
<source>Loop</source>
<translation>Schleife</translation>
</message>
<message id="Takes the reel&apos;s loop">
<source>Takes the reel&apos;s loop</source>
<translation>Nimmt die Schleife der Rolle</translation>
</message>
<message id="Span">
<source>Span</source>
<translation>Stück</translation>
</message>
<message id="From and to, as 0:05 - 0:12.5; empty: the whole reel">
<source>From and to, as 0:05 - 0:12.5; empty: the whole reel</source>
<translation>Von und bis, wie 0:05 - 0:12.5; leer: die ganze Rolle</translation>
</message>
<message id="of all">
<source>of all</source>
<translation>über alles</translation>
</message>
<message id="of speech">
<source>of speech</source>
<translation>der Sprache</translation>
</message>
<message id="Loudness">
<source>Loudness</source>
<translation>Lautheit</translation>
</message>
<message id="LUFS integrated that it is brought to (EBU R 128 asks for -23); empty: as it is">
<source>LUFS integrated that it is brought to (EBU R 128 asks for -23); empty: as it is</source>
<translation>LUFS integriert, auf die sie gebracht wird (EBU R 128 verlangt -23); leer: wie sie ist</translation>
</message>
<message id="Measured">
<source>Measured</source>
<translation>Gemessen</translation>
</message>
<message id="Of the whole (ITU-R BS.1770), or only where somebody speaks">
<source>Of the whole (ITU-R BS.1770), or only where somebody speaks</source>
<translation>Über das Ganze (ITU-R BS.1770) oder nur, wo jemand spricht</translation>
</message>
<message id="Ceiling">
<source>Ceiling</source>
<translation>Obergrenze</translation>
</message>
<message id="dBTP that no peak may pass; a limiter holds it where it must">
<source>dBTP that no peak may pass; a limiter holds it where it must</source>
<translation>dBTP, die keine Spitze überschreiten darf; ein Limiter hält sie, wo er muss</translation>
</message>
<message id="32-bit float">
<source>32-bit float</source>
<translation>32 Bit Gleitkomma</translation>
</message>
<message id="%1 bit">
<source>%1 bit</source>
<translation>%1 Bit</translation>
</message>
<message id="Format">
<source>Format</source>
<translation>Format</translation>
</message>
<message id="Lossy ones are for listening only; a picture is copied as it is, with the new sound">
<source>Lossy ones are for listening only; a picture is copied as it is, with the new sound</source>
<translation>Verlustbehaftete sind nur zum Anhören; ein Bild wird kopiert, wie es ist, mit dem neuen Ton</translation>
</message>
<message id="own rate">
<source>own rate</source>
<translation>eigene Rate</translation>
</message>
<message id="own channels">
<source>own channels</source>
<translation>eigene Kanäle</translation>
</message>
<message id="Sound">
<source>Sound</source>
<translation>Ton</translation>
</message>
<message id="Rate">
<source>Rate</source>
<translation>Rate</translation>
</message>
<message id="Sample rate of the file">
<source>Sample rate of the file</source>
<translation>Abtastrate der Datei</translation>
</message>
<message id="Channels">
<source>Channels</source>
<translation>Kanäle</translation>
</message>
<message id="Which channels the file has: down-mixes after ITU-R BS.775; going up nothing is invented">
<source>Which channels the file has: down-mixes after ITU-R BS.775; going up nothing is invented</source>
<translation>Welche Kanäle die Datei hat: heruntergemischt nach ITU-R BS.775; nach oben wird nichts erfunden</translation>
</message>
<message id="dithered">
<source>dithered</source>
<translation>mit Dither</translation>
</message>
<message id="noise shaped">
<source>noise shaped</source>
<translation>geformtes Rauschen</translation>
</message>
<message id="mono files">
<source>mono files</source>
<translation>Mono-Dateien</translation>
</message>
<message id="keep original sound">
<source>keep original sound</source>
<translation>Originalton behalten</translation>
</message>
<message id="Dither">
<source>Dither</source>
<translation>Dither</translation>
</message>
<message id="What happens to what falls under the last bit of 16 and 24 bits">
<source>What happens to what falls under the last bit of 16 and 24 bits</source>
<translation>Was mit dem geschieht, was bei 16 und 24 Bit unter das letzte Bit fällt</translation>
</message>
<message id="Mono files">
<source>Mono files</source>
<translation>Mono-Dateien</translation>
</message>
<message id="A file for each channel, as name.L.wav and name.R.wav">
<source>A file for each channel, as name.L.wav and name.R.wav</source>
<translation>Eine Datei je Kanal, als name.L.wav und name.R.wav</translation>
</message>
<message id="Language">
<source>Language</source>
<translation>Sprache</translation>
</message>
<message id="Of the new sound, by ISO 639-2: eng, deu, fin ...">
<source>Of the new sound, by ISO 639-2: eng, deu, fin ...</source>
<translation>Des neuen Tons, nach ISO 639-2: eng, deu, fin ...</translation>
</message>
<message id="Keep original sound">
<source>Keep original sound</source>
<translation>Originalton behalten</translation>
</message>
<message id="The recording&apos;s own sound comes along as a second track">
<source>The recording&apos;s own sound comes along as a second track</source>
<translation>Der eigene Ton der Aufnahme kommt als zweite Spur mit</translation>
</message>
<message id="Bits">
<source>Bits</source>
<translation>Bit</translation>
</message>
<message id="File name">
<source>File name</source>
<translation>Dateiname</translation>
</message>
<message id="Tokens:&#10;">
<source>Tokens:&#10;</source>
<translation>Platzhalter:&#10;</translation>
</message>
<message id="Dispatch…">
<source>Dispatch…</source>
<translation>Ausliefern…</translation>
</message>
<message id="Chooses a folder, makes the ticked deliverables, checks them and writes a report beside them; nothing is overwritten">
<source>Chooses a folder, makes the ticked deliverables, checks them and writes a report beside them; nothing is overwritten</source>
<translation>Fragt nach einem Ordner, macht die angehakten Lieferungen, prüft sie und schreibt einen Bericht daneben; nichts wird überschrieben</translation>
</message>
<message id="Name deliverable">
<source>Name deliverable</source>
<translation>Lieferung benennen</translation>
</message>
<message id="There is a deliverable &quot;%1&quot; already: choose another name.">
<source>There is a deliverable &quot;%1&quot; already: choose another name.</source>
<translation>Eine Lieferung „%1“ gibt es schon: einen anderen Namen wählen.</translation>
</message>
<message id="&quot;%1&quot; is no language: give three letters of ISO 639-2, as eng.">
<source>&quot;%1&quot; is no language: give three letters of ISO 639-2, as eng.</source>
<translation>„%1“ ist keine Sprache: drei Buchstaben nach ISO 639-2 angeben, etwa eng.</translation>
</message>
<message id="What it holds">
<source>What it holds</source>
<translation>Was sie enthält</translation>
</message>
<message id="What is measured">
<source>What is measured</source>
<translation>Was gemessen wird</translation>
</message>
<message id="The reel has no loop: drag one over the picture first.">
<source>The reel has no loop: drag one over the picture first.</source>
<translation>Die Rolle hat keine Schleife: zuerst eine über das Bild ziehen.</translation>
</message>
<message id="Dispatch to">
<source>Dispatch to</source>
<translation>Ausliefern nach</translation>
</message>
<message id="&quot;%1&quot; is not a value for %2: give %3 to %4.">
<source>&quot;%1&quot; is not a value for %2: give %3 to %4.</source>
<translation>„%1“ ist kein Wert für %2: %3 bis %4 angeben.</translation>
</message>
<message id="&quot;%1&quot; is no span: give from and to, as 0:05 - 0:12.5.">
<source>&quot;%1&quot; is no span: give from and to, as 0:05 - 0:12.5.</source>
<translation>„%1“ ist kein Stück: von und bis angeben, wie 0:05 - 0:12.5.</translation>
</message>
<message id="as it is">
<source>as it is</source>
<translation>bleibt</translation>
</message>
<message id="whole reel">
<source>whole reel</source>
<translation>ganze Rolle</translation>
</message>
<message id="Tracks">
<source>Tracks</source>
<translation>Spuren</translation>
</message>
<message id="The recipe of %1 deliverables">
<source>The recipe of %1 deliverables</source>
<translation>Das Rezept von %1 Lieferungen</translation>
</message>
<message id="The recipe of">
<source>The recipe of</source>
<translation>Das Rezept von</translation>
</message>
<message id="Deliver">
<source>Deliver</source>
<translation>Ausliefern</translation>
</message>
<message id="Do not deliver">
<source>Do not deliver</source>
<translation>Nicht ausliefern</translation>
</message>
<message id="Add deliverable">
<source>Add deliverable</source>
<translation>Lieferung hinzufügen</translation>
</message>
<message id="Remove deliverable">
<source>Remove deliverable</source>
<translation>Lieferung entfernen</translation>
</message>
<message id="Use set ">
<source>Use set </source>
<translation>Satz nehmen: </translation>
</message>
<message id="The set &quot;%1&quot; is kept: it is among the sets from now on.">
<source>The set &quot;%1&quot; is kept: it is among the sets from now on.</source>
<translation>Der Satz „%1“ ist gemerkt: er steht von nun an bei den Sätzen.</translation>
</message>
<message id="The set is written to %1.">
<source>The set is written to %1.</source>
<translation>Der Satz steht in %1.</translation>
</message>
<message id="Reel">
<source>Reel</source>
<translation>Rolle</translation>
</message>
<message id="%1 and %2 more">
<source>%1 and %2 more</source>
<translation>%1 und %2 weitere</translation>
</message>
<message id="waiting">
<source>waiting</source>
<translation>wartet</translation>
</message>
<message id="at work">
<source>at work</source>
<translation>in Arbeit</translation>
</message>
<message id="delivered">
<source>delivered</source>
<translation>ausgeliefert</translation>
</message>
<message id="changed since">
<source>changed since</source>
<translation>seither geändert</translation>
</message>
<message id="held back">
<source>held back</source>
<translation>zurückgehalten</translation>
</message>
<message id="failed">
<source>failed</source>
<translation>misslungen</translation>
</message>
<message id="silent">
<source>silent</source>
<translation>still</translation>
</message>
<message id="to ">
<source>to </source>
<translation>auf </translation>
</message>
<message id="below ">
<source>below </source>
<translation>unter </translation>
</message>
<message id="all %1">
<source>all %1</source>
<translation>alle %1</translation>
</message>
<message id="%1 of %2 failed">
<source>%1 of %2 failed</source>
<translation>%1 von %2 verfehlt</translation>
</message>
<message id="to be made">
<source>to be made</source>
<translation>zu machen</translation>
</message>
<message id="left out">
<source>left out</source>
<translation>ausgelassen</translation>
</message>
<message id="Deliverable">
<source>Deliverable</source>
<translation>Lieferung</translation>
</message>
<message id="Checks">
<source>Checks</source>
<translation>Prüfung</translation>
</message>
<message id="State">
<source>State</source>
<translation>Stand</translation>
</message>
<message id="File">
<source>File</source>
<translation>Datei</translation>
</message>
<message id="All reels">
<source>All reels</source>
<translation>Alle Rollen</translation>
</message>
<message id="Shows and delivers those of all reels, not of the present one alone (Y)">
<source>Shows and delivers those of all reels, not of the present one alone (Y)</source>
<translation>Zeigt und liefert die aller Rollen, nicht nur der jetzigen (Y)</translation>
</message>
<message id="What leaves the house">
<source>What leaves the house</source>
<translation>Was das Haus verlässt</translation>
</message>
<message id="%1 reels">
<source>%1 reels</source>
<translation>%1 Rollen</translation>
</message>
<message id="no reel">
<source>no reel</source>
<translation>keine Rolle</translation>
</message>
<message id="&lt;b&gt;%1 file&lt;/b&gt; of %2 ticked; X ticks the selected rows, what is changed at the right counts for all of them">
<source>&lt;b&gt;%1 file&lt;/b&gt; of %2 ticked; X ticks the selected rows, what is changed at the right counts for all of them</source>
<translation>&lt;b&gt;%1 Datei&lt;/b&gt; von %2 angehakt; X hakt die gewählten Zeilen an, was rechts geändert wird, gilt für sie alle</translation>
</message>
<message id="&lt;b&gt;%1 files&lt;/b&gt; of %2 ticked; X ticks the selected rows, what is changed at the right counts for all of them">
<source>&lt;b&gt;%1 files&lt;/b&gt; of %2 ticked; X ticks the selected rows, what is changed at the right counts for all of them</source>
<translation>&lt;b&gt;%1 Dateien&lt;/b&gt; von %2 angehakt; X hakt die gewählten Zeilen an, was rechts geändert wird, gilt für sie alle</translation>
</message>
<message id="Reading ">
<source>Reading </source>
<translation>Lesen: </translation>
</message>
<message id="The reel is not split yet: it is heard once it is.">
<source>The reel is not split yet: it is heard once it is.</source>
<translation>Die Rolle ist noch nicht getrennt: dann ist sie zu hören.</translation>
</message>
<message id="target ">
<source>target </source>
<translation>Ziel </translation>
</message>
<message id="noise floor ">
<source>noise floor </source>
<translation>Grundrauschen </translation>
</message>
<message id="ceiling ">
<source>ceiling </source>
<translation>Obergrenze </translation>
</message>
<message id=", peak ">
<source>, peak </source>
<translation>, Spitze </translation>
</message>
<message id="not delivered yet">
<source>not delivered yet</source>
<translation>noch nicht ausgeliefert</translation>
</message>
<message id=", limited by ">
<source>, limited by </source>
<translation>, begrenzt um </translation>
</message>
<message id="; 9 plays the file, 1 the source">
<source>; 9 plays the file, 1 the source</source>
<translation>; 9 spielt die Datei, 1 die Quelle</translation>
</message>
<message id="; 9 plays what it will hold, before its loudness, 1 the source">
<source>; 9 plays what it will hold, before its loudness, 1 the source</source>
<translation>; 9 spielt, was sie enthalten wird, vor ihrer Lautheit, 1 die Quelle</translation>
</message>
<message id="The session &quot;%1&quot; names recordings outside of its folder: open it once, to say that they may be read.">
<source>The session &quot;%1&quot; names recordings outside of its folder: open it once, to say that they may be read.</source>
<translation>Die Sitzung „%1“ nennt Aufnahmen außerhalb ihres Ordners: einmal öffnen, um zu sagen, dass sie gelesen werden dürfen.</translation>
</message>
<message id="The session &quot;%1&quot; has no reels: add a recording to it first.">
<source>The session &quot;%1&quot; has no reels: add a recording to it first.</source>
<translation>Die Sitzung „%1“ hat keine Rollen: zuerst eine Aufnahme hinzufügen.</translation>
</message>
<message id="Dispatching">
<source>Dispatching</source>
<translation>Ausliefern</translation>
</message>
<message id="Dispatch was stopped; Go on at Queue takes up where it stopped.">
<source>Dispatch was stopped; Go on at Queue takes up where it stopped.</source>
<translation>Das Ausliefern wurde angehalten; „Weiter“ in der Schlange macht dort weiter.</translation>
</message>
<message id="%1 reels could not be delivered; the first: %2">
<source>%1 reels could not be delivered; the first: %2</source>
<translation>%1 Rollen ließen sich nicht ausliefern; die erste: %2</translation>
</message>
<message id="%1 of %2 deliverables failed a check and were held back: see Queue, or the report in %3.">
<source>%1 of %2 deliverables failed a check and were held back: see Queue, or the report in %3.</source>
<translation>%1 von %2 Lieferungen bestanden eine Prüfung nicht und wurden zurückgehalten: siehe Schlange oder den Bericht in %3.</translation>
</message>
<message id="%1 deliverables are in %2, all checks passed.">
<source>%1 deliverables are in %2, all checks passed.</source>
<translation>%1 Lieferungen sind in %2, alle Prüfungen bestanden.</translation>
</message>
<message id="Handing over ">
<source>Handing over </source>
<translation>Übergeben: </translation>
</message>
<message id="Handed over in %1; MANIFEST.txt says what is what.">
<source>Handed over in %1; MANIFEST.txt says what is what.</source>
<translation>Übergeben in %1; MANIFEST.txt sagt, was was ist.</translation>
</message>
<message id="at Dispatch: tick the selected rows">
<source>at Dispatch: tick the selected rows</source>
<translation>im Versand: die gewählten Zeilen anhaken</translation>
</message>
<message id="at Dispatch: those of all reels, or of the present one">
<source>at Dispatch: those of all reels, or of the present one</source>
<translation>im Versand: die aller Rollen oder der jetzigen</translation>
</message>
<message id="What leaves the house, and does it conform?">
<source>What leaves the house, and does it conform?</source>
<translation>Was verlässt das Haus, und hält es die Vorgaben ein?</translation>
</message>
<message id="Queue">
<source>Queue</source>
<translation>Schlange</translation>
</message>
<message id="Hand over">
<source>Hand over</source>
<translation>Übergabe</translation>
</message>
<message id="Lanes for the next department">
<source>Lanes for the next department</source>
<translation>Spuren für die nächste Abteilung</translation>
</message>
<message id="A folder with each clip of each lane as a WAV with handles, event lists that put them in place (CMX 3600, AES31-3, OpenTimelineIO), the stems, markers and regions as a table and as labels, and a manifest that says what is what.">
<source>A folder with each clip of each lane as a WAV with handles, event lists that put them in place (CMX 3600, AES31-3, OpenTimelineIO), the stems, markers and regions as a table and as labels, and a manifest that says what is what.</source>
<translation>Ein Ordner mit jedem Clip jeder Spur als WAV mit Überhang, Schnittlisten, die sie an ihren Platz setzen (CMX 3600, AES31-3, OpenTimelineIO), den Stems, Marken und Bereichen als Tabelle und als Labels, und einem Verzeichnis, das sagt, was was ist.</translation>
</message>
<message id="Handles">
<source>Handles</source>
<translation>Überhang</translation>
</message>
<message id="Sound before and after each clip, as far as there is any">
<source>Sound before and after each clip, as far as there is any</source>
<translation>Ton vor und nach jedem Clip, soweit es welchen gibt</translation>
</message>
<message id="Hand over…">
<source>Hand over…</source>
<translation>Übergeben…</translation>
</message>
<message id="Stems alone">
<source>Stems alone</source>
<translation>Nur die Stems</translation>
</message>
<message id="Dialogue, music and ambience of this reel as they were weighed, without the rebuild; they sum to the recording.">
<source>Dialogue, music and ambience of this reel as they were weighed, without the rebuild; they sum to the recording.</source>
<translation>Dialog, Musik und Atmo dieser Rolle, wie sie abgewogen wurden, ohne den Aufbau; zusammen sind sie die Aufnahme.</translation>
</message>
<message id="Format of the stems">
<source>Format of the stems</source>
<translation>Format der Stems</translation>
</message>
<message id="WAV, 32-bit float">
<source>WAV, 32-bit float</source>
<translation>WAV, 32 Bit Gleitkomma</translation>
</message>
<message id="WAV, 24 bit">
<source>WAV, 24 bit</source>
<translation>WAV, 24 Bit</translation>
</message>
<message id="FLAC, 24 bit">
<source>FLAC, 24 bit</source>
<translation>FLAC, 24 Bit</translation>
</message>
<message id="Export stems…">
<source>Export stems…</source>
<translation>Stems ausgeben…</translation>
</message>
<message id="Hand over to">
<source>Hand over to</source>
<translation>Übergeben nach</translation>
</message>
<message id="Export stems to">
<source>Export stems to</source>
<translation>Stems ausgeben nach</translation>
</message>
<message id="At the strength weighed for the %1 (Ctrl+E)">
<source>At the strength weighed for the %1 (Ctrl+E)</source>
<translation>Mit der Stärke, die für %1 abgewogen wurde (Ctrl+E)</translation>
</message>
<message id="Split the reel first; then its stems can be exported.">
<source>Split the reel first; then its stems can be exported.</source>
<translation>Zuerst die Rolle trennen; dann können ihre Stems ausgegeben werden.</translation>
</message>
<message id="waiting, first">
<source>waiting, first</source>
<translation>wartet, als erste</translation>
</message>
<message id="waiting, later">
<source>waiting, later</source>
<translation>wartet, später</translation>
</message>
<message id="paused">
<source>paused</source>
<translation>angehalten</translation>
</message>
<message id="done">
<source>done</source>
<translation>fertig</translation>
</message>
<message id="limited %1 dB">
<source>limited %1 dB</source>
<translation>begrenzt um %1 dB</translation>
</message>
<message id="&#10;   noise floor %1 → %2 dBFS">
<source>&#10;   noise floor %1 → %2 dBFS</source>
<translation>&#10;   Grundrauschen %1 → %2 dBFS</translation>
</message>
<message id="Pause">
<source>Pause</source>
<translation>Pause</translation>
</message>
<message id="Halts where it is; what is finished stays">
<source>Halts where it is; what is finished stays</source>
<translation>Hält an, wo es ist; was fertig ist, bleibt</translation>
</message>
<message id="Cancel all">
<source>Cancel all</source>
<translation>Alles abbrechen</translation>
</message>
<message id="Stops, and takes out what waits; files that have their names stay">
<source>Stops, and takes out what waits; files that have their names stay</source>
<translation>Hält an und nimmt heraus, was wartet; Dateien, die ihren Namen haben, bleiben</translation>
</message>
<message id="Add session…">
<source>Add session…</source>
<translation>Sitzung dazu…</translation>
</message>
<message id="Queues all reels of another session, as its file says">
<source>Queues all reels of another session, as its file says</source>
<translation>Reiht alle Rollen einer anderen Sitzung ein, wie ihre Datei sagt</translation>
</message>
<message id="Priority">
<source>Priority</source>
<translation>Vorrang</translation>
</message>
<message id="When the chosen reel gets its turn">
<source>When the chosen reel gets its turn</source>
<translation>Wann die gewählte Rolle an die Reihe kommt</translation>
</message>
<message id="as it came">
<source>as it came</source>
<translation>wie sie kam</translation>
</message>
<message id="Takes the chosen reel out of the queue; one at work is cancelled">
<source>Takes the chosen reel out of the queue; one at work is cancelled</source>
<translation>Nimmt die gewählte Rolle aus der Schlange; eine in Arbeit wird abgebrochen</translation>
</message>
<message id="Try again">
<source>Try again</source>
<translation>Noch einmal</translation>
</message>
<message id="Tries the chosen reel once more; what is finished is not made again">
<source>Tries the chosen reel once more; what is finished is not made again</source>
<translation>Versucht die gewählte Rolle noch einmal; was fertig ist, wird nicht neu gemacht</translation>
</message>
<message id="Clear ended">
<source>Clear ended</source>
<translation>Fertige leeren</translation>
</message>
<message id="Takes what is done out of the list; the files stay">
<source>Takes what is done out of the list; the files stay</source>
<translation>Nimmt aus der Liste, was fertig ist; die Dateien bleiben</translation>
</message>
<message id="Its turn">
<source>Its turn</source>
<translation>Ihre Reihe</translation>
</message>
<message id="Session to dispatch">
<source>Session to dispatch</source>
<translation>Sitzung zum Ausliefern</translation>
</message>
<message id="Sessions (*.rivlen)">
<source>Sessions (*.rivlen)</source>
<translation>Sitzungen (*.rivlen)</translation>
</message>
<message id="%1, to %2">
<source>%1, to %2</source>
<translation>%1, nach %2</translation>
</message>
<message id="Go on">
<source>Go on</source>
<translation>Weiter</translation>
</message>
<message id="Nothing is queued. Dispatch… on the first page puts the ticked deliverables here.">
<source>Nothing is queued. Dispatch… on the first page puts the ticked deliverables here.</source>
<translation>Nichts steht an. „Ausliefern…“ auf der ersten Seite stellt die angehakten Lieferungen hierher.</translation>
</message>
<message id="%1 of %2 reels delivered whole; the reports lie beside the files.">
<source>%1 of %2 reels delivered whole; the reports lie beside the files.</source>
<translation>%1 von %2 Rollen ganz ausgeliefert; die Berichte liegen neben den Dateien.</translation>
</message>
<message id="One reel is left from last time: Go on takes up where it stopped.">
<source>One reel is left from last time: Go on takes up where it stopped.</source>
<translation>Eine Rolle ist vom letzten Mal übrig: „Weiter“ macht dort weiter.</translation>
</message>
<message id="%1 reels are left from last time: Go on takes up where it stopped.">
<source>%1 reels are left from last time: Go on takes up where it stopped.</source>
<translation>%1 Rollen sind vom letzten Mal übrig: „Weiter“ macht dort weiter.</translation>
</message>
<message id="%1 of %2 reels to go, %3 %">
<source>%1 of %2 reels to go, %3 %</source>
<translation>%1 von %2 Rollen übrig, %3 %</translation>
</message>
<message id=" left">
<source> left</source>
<translation> übrig</translation>
</message>
<message id="&#10;Paused.">
<source>&#10;Paused.</source>
<translation>&#10;Angehalten.</translation>
</message>
<message id="Remove reel">
<source>Remove reel</source>
<translation>Rolle entfernen</translation>
</message>
<message id="Remove reels">
<source>Remove reels</source>
<translation>Rollen entfernen</translation>
</message>
<message id="Relink reel">
<source>Relink reel</source>
<translation>Rolle neu verbinden</translation>
</message>
<message id="&quot; was not opened: it names recordings outside of its folder.">
<source>&quot; was not opened: it names recordings outside of its folder.</source>
<translation>“ wurde nicht geöffnet: sie nennt Aufnahmen außerhalb ihres Ordners.</translation>
</message>
<message id="Saved as ">
<source>Saved as </source>
<translation>Gespeichert als </translation>
</message>
<message id="Recover">
<source>Recover</source>
<translation>Wiederherstellen</translation>
</message>
<message id="Intake">
<source>Intake</source>
<translation>Eingang</translation>
</message>
<message id="What do I have, and what is wrong with it?">
<source>What do I have, and what is wrong with it?</source>
<translation>Was habe ich, und was fehlt ihm?</translation>
</message>
<message id="Split">
<source>Split</source>
<translation>Trennen</translation>
</message>
<message id="Which network, which spans, how well did it go?">
<source>Which network, which spans, how well did it go?</source>
<translation>Welches Netz, welche Stücke, wie gut ging es?</translation>
</message>
<message id="Weigh">
<source>Weigh</source>
<translation>Abwägen</translation>
</message>
<message id="How strong can isolation be before it hurts?">
<source>How strong can isolation be before it hurts?</source>
<translation>Wie stark kann freigestellt werden, bevor es schadet?</translation>
</message>
<message id="Rebuild">
<source>Rebuild</source>
<translation>Aufbau</translation>
</message>
<message id="What does the finished track sound like?">
<source>What does the finished track sound like?</source>
<translation>Wie klingt die fertige Spur?</translation>
</message>
<message id="Dispatch">
<source>Dispatch</source>
<translation>Versand</translation>
</message>
<message id="Port %1 is taken: close what listens there, or choose another one for the head tracker.">
<source>Port %1 is taken: close what listens there, or choose another one for the head tracker.</source>
<translation>Port %1 ist belegt: schließen, was dort horcht, oder einen anderen für den Kopfsensor wählen.</translation>
</message>
<message id="what it is">
<source>what it is</source>
<translation>was sie ist</translation>
</message>
<message id="stereo">
<source>stereo</source>
<translation>Stereo</translation>
</message>
<message id="mono">
<source>mono</source>
<translation>Mono</translation>
</message>
<message id="Reading head-related responses">
<source>Reading head-related responses</source>
<translation>Kopfbezogene Antworten lesen</translation>
</message>
<message id="Remove loop">
<source>Remove loop</source>
<translation>Schleife entfernen</translation>
</message>
<message id="Matching levels">
<source>Matching levels</source>
<translation>Pegel angleichen</translation>
</message>
<message id="Nothing is open that could be heard.">
<source>Nothing is open that could be heard.</source>
<translation>Nichts ist offen, das zu hören wäre.</translation>
</message>
<message id="Now: %1, at the recording&apos;s %2 Hz.">
<source>Now: %1, at the recording&apos;s %2 Hz.</source>
<translation>Jetzt: %1, mit den %2 Hz der Aufnahme.</translation>
</message>
<message id="Now: %1, at %2 Hz, converted from the recording&apos;s %3.">
<source>Now: %1, at %2 Hz, converted from the recording&apos;s %3.</source>
<translation>Jetzt: %1, mit %2 Hz, umgerechnet von den %3 der Aufnahme.</translation>
</message>
<message id=" No JACK server runs here: start one, or PipeWire with its JACK library, and choose it again.">
<source> No JACK server runs here: start one, or PipeWire with its JACK library, and choose it again.</source>
<translation> Hier läuft kein JACK-Server: einen starten, oder PipeWire mit seiner JACK-Bibliothek, und noch einmal wählen.</translation>
</message>
<message id=" There is no such sound card here, or it plays no such rate.">
<source> There is no such sound card here, or it plays no such rate.</source>
<translation> Diese Soundkarte gibt es hier nicht, oder sie kann solche Raten nicht.</translation>
</message>
<message id="The sound output &quot;%1&quot; went away: playing goes on through &quot;%2&quot;. View, Sound output… chooses another.">
<source>The sound output &quot;%1&quot; went away: playing goes on through &quot;%2&quot;. View, Sound output… chooses another.</source>
<translation>Die Tonausgabe „%1“ ist weg: es spielt weiter über „%2“. Ansicht, Tonausgabe… wählt eine andere.</translation>
</message>
<message id="Sound output">
<source>Sound output</source>
<translation>Tonausgabe</translation>
</message>
<message id="Sound goes to">
<source>Sound goes to</source>
<translation>Ton geht zu</translation>
</message>
<message id="Block">
<source>Block</source>
<translation>Block</translation>
</message>
<message id="Shorter answers sooner; longer is safer on a busy machine. JACK has its own">
<source>Shorter answers sooner; longer is safer on a busy machine. JACK has its own</source>
<translation>Kürzer antwortet eher; länger ist sicherer auf einem belasteten Rechner. JACK hat seinen eigenen</translation>
</message>
<message id="Another rate than the recording&apos;s is converted to; a voice can be recorded at the recording&apos;s alone">
<source>Another rate than the recording&apos;s is converted to; a voice can be recorded at the recording&apos;s alone</source>
<translation>In eine andere Rate als die der Aufnahme wird umgerechnet; eine Stimme lässt sich nur mit der der Aufnahme aufnehmen</translation>
</message>
<message id="Transport">
<source>Transport</source>
<translation>Transport</translation>
</message>
<message id="JACK&apos;s transport is shared by all programs that are connected to the same server">
<source>JACK&apos;s transport is shared by all programs that are connected to the same server</source>
<translation>Den Transport von JACK teilen alle Programme, die am selben Server hängen</translation>
</message>
<message id="Close">
<source>Close</source>
<translation>Schließen</translation>
</message>
<message id="What is chosen is in use already">
<source>What is chosen is in use already</source>
<translation>Was gewählt ist, gilt schon</translation>
</message>
<message id="the default sound card">
<source>the default sound card</source>
<translation>die übliche Soundkarte</translation>
</message>
<message id="ports of JACK or PipeWire">
<source>ports of JACK or PipeWire</source>
<translation>Anschlüsse von JACK oder PipeWire</translation>
</message>
<message id="nowhere (silent clock)">
<source>nowhere (silent clock)</source>
<translation>nirgendwohin (stille Uhr)</translation>
</message>
<message id="%1 frames">
<source>%1 frames</source>
<translation>%1 Samples</translation>
</message>
<message id="the recording&apos;s">
<source>the recording&apos;s</source>
<translation>die der Aufnahme</translation>
</message>
<message id="alone">
<source>alone</source>
<translation>allein</translation>
</message>
<message id="follows JACK&apos;s">
<source>follows JACK&apos;s</source>
<translation>folgt dem von JACK</translation>
</message>
<message id="follows and leads JACK&apos;s">
<source>follows and leads JACK&apos;s</source>
<translation>folgt dem von JACK und führt ihn</translation>
</message>
<message id=" (not there)">
<source> (not there)</source>
<translation> (nicht da)</translation>
</message>
<message id="A newer version of ">
<source>A newer version of </source>
<translation>Neuere Fassung von </translation>
</message>
<message id="by its sound">
<source>by its sound</source>
<translation>nach dem Klang</translation>
</message>
<message id="by timecode">
<source>by timecode</source>
<translation>nach Timecode</translation>
</message>
<message id="Settings follow">
<source>Settings follow</source>
<translation>Einstellungen folgen</translation>
</message>
<message id="In the newer version">
<source>In the newer version</source>
<translation>In der neueren Fassung</translation>
</message>
<message id="Was at">
<source>Was at</source>
<translation>War bei</translation>
</message>
<message id="Moved by">
<source>Moved by</source>
<translation>Verschoben um</translation>
</message>
<message id="Alike">
<source>Alike</source>
<translation>Ähnlich</translation>
</message>
<message id="Cancel">
<source>Cancel</source>
<translation>Abbrechen</translation>
</message>
<message id="Leaves everything as it is">
<source>Leaves everything as it is</source>
<translation>Lässt alles, wie es ist</translation>
</message>
<message id="Lay it in">
<source>Lay it in</source>
<translation>Einsetzen</translation>
</message>
<message id="Replaces the file; the settings follow their sound. It can be undone">
<source>Replaces the file; the settings follow their sound. It can be undone</source>
<translation>Ersetzt die Datei; die Einstellungen folgen ihrem Klang. Das geht auch zurück</translation>
</message>
<message id="Comparing %1 with what is there…">
<source>Comparing %1 with what is there…</source>
<translation>%1 wird mit dem verglichen, was da ist…</translation>
</message>
<message id="Comparing versions">
<source>Comparing versions</source>
<translation>Fassungen vergleichen</translation>
</message>
<message id="new">
<source>new</source>
<translation>neu</translation>
</message>
<message id="nothing">
<source>nothing</source>
<translation>nichts</translation>
</message>
<message id="%1 s %2">
<source>%1 s %2</source>
<translation>%1 s %2</translation>
</message>
<message id="earlier">
<source>earlier</source>
<translation>früher</translation>
</message>
<message id="later">
<source>later</source>
<translation>später</translation>
</message>
<message id="There are no regions to move.">
<source>There are no regions to move.</source>
<translation>Es gibt keine Bereiche, die sich verschieben.</translation>
</message>
<message id="Regions that follow: %1; lost with their sound: %2.">
<source>Regions that follow: %1; lost with their sound: %2.</source>
<translation>Bereiche, die folgen: %1; mit ihrem Klang verloren: %2.</translation>
</message>
<message id="Nothing of the reel was found in %1: it may be another recording. Laid in, it keeps only the settings for the whole reel.">
<source>Nothing of the reel was found in %1: it may be another recording. Laid in, it keeps only the settings for the whole reel.</source>
<translation>In %1 wurde nichts von der Rolle gefunden: vielleicht ist es eine andere Aufnahme. Eingesetzt behält sie nur die Einstellungen für die ganze Rolle.</translation>
</message>
<message id="%1 % of the newer version was there before. %2">
<source>%1 % of the newer version was there before. %2</source>
<translation>%1 % der neueren Fassung war schon vorher da. %2</translation>
</message>
<message id="speech">
<source>speech</source>
<translation>Sprache</translation>
</message>
<message id="music">
<source>music</source>
<translation>Musik</translation>
</message>
<message id="speech and other sound">
<source>speech and other sound</source>
<translation>Sprache und anderes</translation>
</message>
<message id="What this reel holds">
<source>What this reel holds</source>
<translation>Was diese Rolle enthält</translation>
</message>
<message id="What counts as a fault depends on what the reel holds: a drum is no plosive. Say otherwise where Rivlen is wrong.">
<source>What counts as a fault depends on what the reel holds: a drum is no plosive. Say otherwise where Rivlen is wrong.</source>
<translation>Was ein Fehler ist, hängt davon ab, was die Rolle enthält: eine Trommel ist kein Plosiv. Hier richtigstellen, wo Rivlen sich irrt.</translation>
</message>
<message id="Faults of this reel">
<source>Faults of this reel</source>
<translation>Fehler dieser Rolle</translation>
</message>
<message id="A click or Return plays a fault in a loop">
<source>A click or Return plays a fault in a loop</source>
<translation>Ein Klick oder Return spielt einen Fehler in einer Schleife</translation>
</message>
<message id="Accept">
<source>Accept</source>
<translation>Annehmen</translation>
</message>
<message id="Puts the proposed treatment to work">
<source>Puts the proposed treatment to work</source>
<translation>Setzt die vorgeschlagene Behandlung ein</translation>
</message>
<message id="Adjust">
<source>Adjust</source>
<translation>Anpassen</translation>
</message>
<message id="Accepts it and goes to the amount of its treatment">
<source>Accepts it and goes to the amount of its treatment</source>
<translation>Nimmt ihn an und geht zum Maß seiner Behandlung</translation>
</message>
<message id="Dismiss">
<source>Dismiss</source>
<translation>Abtun</translation>
</message>
<message id="This is no fault: nothing is proposed against it any more">
<source>This is no fault: nothing is proposed against it any more</source>
<translation>Das ist kein Fehler: dagegen wird nichts mehr vorgeschlagen</translation>
</message>
<message id="Accept all">
<source>Accept all</source>
<translation>Alle</translation>
</message>
<message id="Puts all proposed treatments to work, in the sensible order">
<source>Puts all proposed treatments to work, in the sensible order</source>
<translation>Setzt alle vorgeschlagenen Behandlungen ein, in sinnvoller Reihenfolge</translation>
</message>
<message id="as found: ">
<source>as found: </source>
<translation>wie gefunden: </translation>
</message>
<message id="too short to tell">
<source>too short to tell</source>
<translation>zu kurz dafür</translation>
</message>
<message id="not known yet">
<source>not known yet</source>
<translation>noch nicht bekannt</translation>
</message>
<message id="Looking for faults…">
<source>Looking for faults…</source>
<translation>Fehler werden gesucht…</translation>
</message>
<message id="No faults were found">
<source>No faults were found</source>
<translation>Es wurden keine Fehler gefunden</translation>
</message>
<message id="One fault">
<source>One fault</source>
<translation>Ein Fehler</translation>
</message>
<message id="%1 faults">
<source>%1 faults</source>
<translation>%1 Fehler</translation>
</message>
<message id=", %1 open">
<source>, %1 open</source>
<translation>, %1 offen</translation>
</message>
<message id="Take back">
<source>Take back</source>
<translation>Zurücknehmen</translation>
</message>
<message id="Choose one to hear it and read what it is.">
<source>Choose one to hear it and read what it is.</source>
<translation>Einen wählen, um ihn zu hören und zu lesen, was er ist.</translation>
</message>
<message id="%1 %2 % sure.">
<source>%1 %2 % sure.</source>
<translation>%1 %2 % sicher.</translation>
</message>
<message id=" Direct to reverberant sound (D/R): about %1 dB.">
<source> Direct to reverberant sound (D/R): about %1 dB.</source>
<translation> Direkter zu nachhallendem Schall (D/R): etwa %1 dB.</translation>
</message>
<message id=" Proposed: %1, %2 %3.">
<source> Proposed: %1, %2 %3.</source>
<translation> Vorgeschlagen: %1, %2 %3.</translation>
</message>
<message id="%1 times">
<source>%1 times</source>
<translation>%1 Mal</translation>
</message>
<message id="seen to">
<source>seen to</source>
<translation>erledigt</translation>
</message>
<message id=", seen to">
<source>, seen to</source>
<translation>, erledigt</translation>
</message>
<message id="  –  N the next one, Shift+N the last">
<source>  –  N the next one, Shift+N the last</source>
<translation>  –  N der nächste, Shift+N der letzte</translation>
</message>
<message id="%1%2 more kinds stand in the list">
<source>%1%2 more kinds stand in the list</source>
<translation>%1%2 weitere Arten stehen in der Liste</translation>
</message>
<message id=" to ">
<source> to </source>
<translation> bis </translation>
</message>
<message id=", %1 % sure.&#10;">
<source>, %1 % sure.&#10;</source>
<translation>, %1 % sicher.&#10;</translation>
</message>
<message id="&#10;A press plays it in a loop.">
<source>&#10;A press plays it in a loop.</source>
<translation>&#10;Ein Druck spielt ihn in einer Schleife.</translation>
</message>
<message id="at Intake: hear the next or the last fault">
<source>at Intake: hear the next or the last fault</source>
<translation>im Eingang: den nächsten oder letzten Fehler hören</translation>
</message>
<message id="Reels">
<source>Reels</source>
<translation>Rollen</translation>
</message>
<message id="Faults">
<source>Faults</source>
<translation>Fehler</translation>
</message>
<message id="Treatments">
<source>Treatments</source>
<translation>Behandlungen</translation>
</message>
<message id="Faults (%1)">
<source>Faults (%1)</source>
<translation>Fehler (%1)</translation>
</message>
<message id="Treatments (%1)">
<source>Treatments (%1)</source>
<translation>Behandlungen (%1)</translation>
</message>
<message id="Short-term loudness (LUFS, of the three seconds before) and the noise floor (dBFS, of the quietest tenth of the three seconds around) along time.&#10;Where the two come close, there is little voice over much noise.">
<source>Short-term loudness (LUFS, of the three seconds before) and the noise floor (dBFS, of the quietest tenth of the three seconds around) along time.&#10;Where the two come close, there is little voice over much noise.</source>
<translation>Kurzzeit-Lautheit (LUFS, der drei Sekunden davor) und Grundrauschen (dBFS, des leisesten Zehntels der drei Sekunden ringsum) über die Zeit.&#10;Wo beide sich nähern, liegt wenig Stimme über viel Rauschen.</translation>
</message>
<message id="comes when the recording has been read">
<source>comes when the recording has been read</source>
<translation>kommt, wenn die Aufnahme gelesen ist</translation>
</message>
<message id="short-term, ">
<source>short-term, </source>
<translation>Kurzzeit, </translation>
</message>
<message id="LUFS integrated">
<source>LUFS integrated</source>
<translation>LUFS integriert</translation>
</message>
<message id="noise floor, ">
<source>noise floor, </source>
<translation>Grundrauschen, </translation>
</message>
<message id="The file %1 is not there. Connect its disk, or find it.">
<source>The file %1 is not there. Connect its disk, or find it.</source>
<translation>Die Datei %1 ist nicht da. Ihren Datenträger anschließen oder sie suchen.</translation>
</message>
<message id="Reading…">
<source>Reading…</source>
<translation>Wird gelesen…</translation>
</message>
<message id="Length">
<source>Length</source>
<translation>Länge</translation>
</message>
<message id="%1 kHz, %2, %3%4">
<source>%1 kHz, %2, %3%4</source>
<translation>%1 kHz, %2, %3%4</translation>
</message>
<message id=", %1 bit">
<source>, %1 bit</source>
<translation>, %1 Bit</translation>
</message>
<message id="Timecode">
<source>Timecode</source>
<translation>Timecode</translation>
</message>
<message id="Picture">
<source>Picture</source>
<translation>Bild</translation>
</message>
<message id="%1×%2, %3 frames/s">
<source>%1×%2, %3 frames/s</source>
<translation>%1×%2, %3 Bilder/s</translation>
</message>
<message id="True peak">
<source>True peak</source>
<translation>True Peak</translation>
</message>
<message id=" dBTP, floor ">
<source> dBTP, floor </source>
<translation> dBTP, Rauschen </translation>
</message>
<message id="Add files…">
<source>Add files…</source>
<translation>Dateien dazu…</translation>
</message>
<message id="Audio or video files (Ctrl+I), or drop files and folders on the window">
<source>Audio or video files (Ctrl+I), or drop files and folders on the window</source>
<translation>Ton- oder Videodateien (Ctrl+I), oder Dateien und Ordner auf das Fenster ziehen</translation>
</message>
<message id="Add a folder…">
<source>Add a folder…</source>
<translation>Ordner dazu…</translation>
</message>
<message id="All recordings in a folder and the folders in it (Ctrl+Shift+I)">
<source>All recordings in a folder and the folders in it (Ctrl+Shift+I)</source>
<translation>Alle Aufnahmen in einem Ordner und den Ordnern darin (Ctrl+Shift+I)</translation>
</message>
<message id="Takes the reel out of the session; its file stays where it is">
<source>Takes the reel out of the session; its file stays where it is</source>
<translation>Nimmt die Rolle aus der Sitzung; ihre Datei bleibt, wo sie ist</translation>
</message>
<message id="Table">
<source>Table</source>
<translation>Tabelle</translation>
</message>
<message id="All reels with all facts, to sort, group and treat many at once (Y)">
<source>All reels with all facts, to sort, group and treat many at once (Y)</source>
<translation>Alle Rollen mit allem, was von ihnen bekannt ist, zum Ordnen, Gruppieren und gemeinsamen Behandeln (Y)</translation>
</message>
<message id="Search names, groups, notes, faults">
<source>Search names, groups, notes, faults</source>
<translation>Namen, Gruppen, Notizen, Fehler suchen</translation>
</message>
<message id="The order of the list">
<source>The order of the list</source>
<translation>Die Ordnung der Liste</translation>
</message>
<message id="as added">
<source>as added</source>
<translation>wie hinzugefügt</translation>
</message>
<message id="by name">
<source>by name</source>
<translation>nach Namen</translation>
</message>
<message id="by group">
<source>by group</source>
<translation>nach Gruppen</translation>
</message>
<message id="by length">
<source>by length</source>
<translation>nach Länge</translation>
</message>
<message id="by loudness">
<source>by loudness</source>
<translation>nach Lautheit</translation>
</message>
<message id="by faults">
<source>by faults</source>
<translation>nach Fehlern</translation>
</message>
<message id="Reels of this session">
<source>Reels of this session</source>
<translation>Rollen dieser Sitzung</translation>
</message>
<message id="Find the missing file…">
<source>Find the missing file…</source>
<translation>Fehlende Datei suchen…</translation>
</message>
<message id="Says where the recording is now">
<source>Says where the recording is now</source>
<translation>Sagt, wo die Aufnahme jetzt ist</translation>
</message>
<message id="Lay in a newer version…">
<source>Lay in a newer version…</source>
<translation>Neuere Fassung einsetzen…</translation>
</message>
<message id="Replaces the file by a shifted, trimmed or re-cut one; the settings follow">
<source>Replaces the file by a shifted, trimmed or re-cut one; the settings follow</source>
<translation>Ersetzt die Datei durch eine verschobene, beschnittene oder umgeschnittene; die Einstellungen folgen</translation>
</message>
<message id="none">
<source>none</source>
<translation>keine</translation>
</message>
<message id="Group">
<source>Group</source>
<translation>Gruppe</translation>
</message>
<message id="Note">
<source>Note</source>
<translation>Notiz</translation>
</message>
<message id="Add recordings">
<source>Add recordings</source>
<translation>Aufnahmen hinzufügen</translation>
</message>
<message id="Add all recordings of a folder">
<source>Add all recordings of a folder</source>
<translation>Alle Aufnahmen eines Ordners hinzufügen</translation>
</message>
<message id="Find ">
<source>Find </source>
<translation>Suchen: </translation>
</message>
<message id="Group reel">
<source>Group reel</source>
<translation>Rolle gruppieren</translation>
</message>
<message id="Write a note">
<source>Write a note</source>
<translation>Notiz schreiben</translation>
</message>
<message id="No reels yet: add recordings or drop them here.">
<source>No reels yet: add recordings or drop them here.</source>
<translation>Noch keine Rollen: Aufnahmen hinzufügen oder hier fallen lassen.</translation>
</message>
<message id="Back to the picture">
<source>Back to the picture</source>
<translation>Zurück zum Bild</translation>
</message>
<message id="Shows the pictures of the present reel again (Y)">
<source>Shows the pictures of the present reel again (Y)</source>
<translation>Zeigt wieder die Bilder der jetzigen Rolle (Y)</translation>
</message>
<message id="Accept faults">
<source>Accept faults</source>
<translation>Fehler annehmen</translation>
</message>
<message id="Gives each selected reel the treatments that its faults propose, and begins to treat it">
<source>Gives each selected reel the treatments that its faults propose, and begins to treat it</source>
<translation>Gibt jeder gewählten Rolle die Behandlungen, die ihre Fehler vorschlagen, und beginnt damit</translation>
</message>
<message id="Copy treatments">
<source>Copy treatments</source>
<translation>Behandlungen kopieren</translation>
</message>
<message id="Gives the present reel&apos;s treatments to all selected reels, and begins to treat them">
<source>Gives the present reel&apos;s treatments to all selected reels, and begins to treat them</source>
<translation>Gibt die Behandlungen der jetzigen Rolle an alle gewählten Rollen, und beginnt damit</translation>
</message>
<message id="Treat now">
<source>Treat now</source>
<translation>Jetzt behandeln</translation>
</message>
<message id="Runs the treatments of the selected reels over the whole of them, one after the other">
<source>Runs the treatments of the selected reels over the whole of them, one after the other</source>
<translation>Führt die Behandlungen der gewählten Rollen ganz aus, eine nach der anderen</translation>
</message>
<message id="Puts the selected reels into the group that is typed on the left; empty: into none">
<source>Puts the selected reels into the group that is typed on the left; empty: into none</source>
<translation>Legt die gewählten Rollen in die Gruppe, die links steht; leer: in keine</translation>
</message>
<message id="Takes the selected reels out of the session; their files stay where they are">
<source>Takes the selected reels out of the session; their files stay where they are</source>
<translation>Nimmt die gewählten Rollen aus der Sitzung; ihre Dateien bleiben, wo sie sind</translation>
</message>
<message id="Group reels">
<source>Group reels</source>
<translation>Rollen gruppieren</translation>
</message>
<message id="%1 of %2 reels, %3 selected">
<source>%1 of %2 reels, %3 selected</source>
<translation>%1 von %2 Rollen, %3 gewählt</translation>
</message>
<message id="%1 of the reels are still being looked through: accept their faults once that is done.">
<source>%1 of the reels are still being looked through: accept their faults once that is done.</source>
<translation>%1 der Rollen werden noch durchgesehen: ihre Fehler danach annehmen.</translation>
</message>
<message id="Floor">
<source>Floor</source>
<translation>Rauschen</translation>
</message>
<message id="Frames/s">
<source>Frames/s</source>
<translation>Bilder/s</translation>
</message>
<message id="Double-click to rename">
<source>Double-click to rename</source>
<translation>Doppelklick zum Umbenennen</translation>
</message>
<message id="Double-click to put the reel into a group">
<source>Double-click to put the reel into a group</source>
<translation>Doppelklick, um die Rolle in eine Gruppe zu legen</translation>
</message>
<message id="Hours, minutes, seconds">
<source>Hours, minutes, seconds</source>
<translation>Stunden, Minuten, Sekunden</translation>
</message>
<message id="Speech or music">
<source>Speech or music</source>
<translation>Sprache oder Musik</translation>
</message>
<message id="Found and not dismissed">
<source>Found and not dismissed</source>
<translation>Gefunden und nicht abgetan</translation>
</message>
<message id="That are switched on">
<source>That are switched on</source>
<translation>Die eingeschaltet sind</translation>
</message>
<message id="Of the work on the reel">
<source>Of the work on the reel</source>
<translation>Der Arbeit an der Rolle</translation>
</message>
<message id="Integrated loudness, LUFS (EBU R 128)">
<source>Integrated loudness, LUFS (EBU R 128)</source>
<translation>Integrierte Lautheit, LUFS (EBU R 128)</translation>
</message>
<message id="True peak, dBTP (ITU-R BS.1770)">
<source>True peak, dBTP (ITU-R BS.1770)</source>
<translation>True Peak, dBTP (ITU-R BS.1770)</translation>
</message>
<message id="Noise floor, dBFS">
<source>Noise floor, dBFS</source>
<translation>Grundrauschen, dBFS</translation>
</message>
<message id="Of the first sample or the first frame">
<source>Of the first sample or the first frame</source>
<translation>Des ersten Samples oder des ersten Bildes</translation>
</message>
<message id="Of the picture">
<source>Of the picture</source>
<translation>Des Bildes</translation>
</message>
<message id="Rate, channels, codec, bits">
<source>Rate, channels, codec, bits</source>
<translation>Rate, Kanäle, Codec, Bit</translation>
</message>
<message id="Double-click to write one">
<source>Double-click to write one</source>
<translation>Doppelklick, um eine zu schreiben</translation>
</message>
<message id=": off">
<source>: off</source>
<translation>: aus</translation>
</message>
<message id=": on the ">
<source>: on the </source>
<translation>: auf </translation>
</message>
<message id=": took away ">
<source>: took away </source>
<translation>: nahm weg </translation>
</message>
<message id=": does nothing here">
<source>: does nothing here</source>
<translation>: tut hier nichts</translation>
</message>
<message id="%1 kHz %2 %3%4">
<source>%1 kHz %2 %3%4</source>
<translation>%1 kHz %2 %3%4</translation>
</message>
<message id=" %1 bit">
<source> %1 bit</source>
<translation> %1 Bit</translation>
</message>
<message id="file missing">
<source>file missing</source>
<translation>Datei fehlt</translation>
</message>
<message id="reading">
<source>reading</source>
<translation>wird gelesen</translation>
</message>
<message id="splitting">
<source>splitting</source>
<translation>wird getrennt</translation>
</message>
<message id="looking for faults">
<source>looking for faults</source>
<translation>sucht Fehler</translation>
</message>
<message id="to be treated">
<source>to be treated</source>
<translation>zu behandeln</translation>
</message>
<message id="split">
<source>split</source>
<translation>getrennt</translation>
</message>
<message id="read">
<source>read</source>
<translation>gelesen</translation>
</message>
<message id="treated">
<source>treated</source>
<translation>behandelt</translation>
</message>
<message id="Rename reel">
<source>Rename reel</source>
<translation>Rolle umbenennen</translation>
</message>
<message id="&quot;%1&quot; is not an amount for %2: type %3 to %4 %5.">
<source>&quot;%1&quot; is not an amount for %2: type %3 to %4 %5.</source>
<translation>„%1“ ist kein Maß für %2: %3 bis %4 %5 eingeben.</translation>
</message>
<message id="Adds a treatment at its sensible place">
<source>Adds a treatment at its sensible place</source>
<translation>Fügt eine Behandlung an ihrer sinnvollen Stelle ein</translation>
</message>
<message id="Sensible order">
<source>Sensible order</source>
<translation>Sinnvolle Folge</translation>
</message>
<message id="Single samples first, then what is steady, the voice&apos;s own last">
<source>Single samples first, then what is steady, the voice&apos;s own last</source>
<translation>Zuerst einzelne Samples, dann Gleichmäßiges, die Stimme selbst zuletzt</translation>
</message>
<message id="Hear removed">
<source>Hear removed</source>
<translation>Entferntes hören</translation>
</message>
<message id="Loops a stretch of what all treatments together take away">
<source>Loops a stretch of what all treatments together take away</source>
<translation>Spielt ein Stück von dem, was alle Behandlungen zusammen wegnehmen, in einer Schleife</translation>
</message>
<message id="No treatments: accept what was found under Faults, or add one.">
<source>No treatments: accept what was found under Faults, or add one.</source>
<translation>Keine Behandlungen: annehmen, was unter Fehler gefunden wurde, oder eine hinzufügen.</translation>
</message>
<message id="Chain of treatments">
<source>Chain of treatments</source>
<translation>Kette der Behandlungen</translation>
</message>
<message id="Works on">
<source>Works on</source>
<translation>Wirkt auf</translation>
</message>
<message id="the recording, before the split">
<source>the recording, before the split</source>
<translation>die Aufnahme, vor der Trennung</translation>
</message>
<message id="the %1, after the split">
<source>the %1, after the split</source>
<translation>%1, nach der Trennung</translation>
</message>
<message id="Hear what goes">
<source>Hear what goes</source>
<translation>Hören, was geht</translation>
</message>
<message id="Loops a stretch of what this treatment alone takes away: if the voice is in there, it is too much">
<source>Loops a stretch of what this treatment alone takes away: if the voice is in there, it is too much</source>
<translation>Spielt ein Stück von dem, was diese Behandlung allein wegnimmt, in einer Schleife: ist die Stimme darin, ist es zu viel</translation>
</message>
<message id="Works earlier in the chain">
<source>Works earlier in the chain</source>
<translation>Wirkt früher in der Kette</translation>
</message>
<message id="Works later in the chain">
<source>Works later in the chain</source>
<translation>Wirkt später in der Kette</translation>
</message>
<message id="Takes the treatment out of the chain">
<source>Takes the treatment out of the chain</source>
<translation>Nimmt die Behandlung aus der Kette</translation>
</message>
<message id="Earlier">
<source>Earlier</source>
<translation>Früher</translation>
</message>
<message id="Later">
<source>Later</source>
<translation>Später</translation>
</message>
<message id="Switched off, the treatment keeps its amount">
<source>Switched off, the treatment keeps its amount</source>
<translation>Ausgeschaltet behält die Behandlung ihr Maß</translation>
</message>
<message id="Begins once the reel has been looked through for faults.">
<source>Begins once the reel has been looked through for faults.</source>
<translation>Beginnt, sobald die Rolle auf Fehler durchgesehen ist.</translation>
</message>
<message id="Treating a stretch around the playhead…">
<source>Treating a stretch around the playhead…</source>
<translation>Ein Stück um den Abspielkopf wird behandelt…</translation>
</message>
<message id="A stretch is treated for listening; the whole reel follows.">
<source>A stretch is treated for listening; the whole reel follows.</source>
<translation>Ein Stück ist zum Anhören behandelt; die ganze Rolle folgt.</translation>
</message>
<message id="All are switched off.">
<source>All are switched off.</source>
<translation>Alle sind ausgeschaltet.</translation>
</message>
<message id="At work on the whole reel. Hear 1 as treated, 7 as recorded, 8 what was removed.">
<source>At work on the whole reel. Hear 1 as treated, 7 as recorded, 8 what was removed.</source>
<translation>Auf der ganzen Rolle wirksam. 1 hört behandelt, 7 wie aufgenommen, 8 was entfernt wurde.</translation>
</message>
<message id="off">
<source>off</source>
<translation>aus</translation>
</message>
<message id="does nothing here">
<source>does nothing here</source>
<translation>tut hier nichts</translation>
</message>
<message id="adds %1 dBFS%2">
<source>adds %1 dBFS%2</source>
<translation>fügt %1 dBFS%2 hinzu</translation>
</message>
<message id="takes away %1 dBFS%2">
<source>takes away %1 dBFS%2</source>
<translation>nimmt %1 dBFS%2 weg</translation>
</message>
<message id=" here">
<source> here</source>
<translation> hier</translation>
</message>
<message id="on the %1: ">
<source>on the %1: </source>
<translation>auf %1: </translation>
</message>
<message id="after the split">
<source>after the split</source>
<translation>nach der Trennung</translation>
</message>
<message id="Accept a finding">
<source>Accept a finding</source>
<translation>Fund annehmen</translation>
</message>
<message id="Accept all findings">
<source>Accept all findings</source>
<translation>Alle Funde annehmen</translation>
</message>
<message id="Dismiss a finding">
<source>Dismiss a finding</source>
<translation>Fund abtun</translation>
</message>
<message id="Take a finding back">
<source>Take a finding back</source>
<translation>Fund zurücknehmen</translation>
</message>
<message id="Say what it holds">
<source>Say what it holds</source>
<translation>Sagen, was sie enthält</translation>
</message>
<message id="Add %1">
<source>Add %1</source>
<translation>%1 hinzufügen</translation>
</message>
<message id="Remove a treatment">
<source>Remove a treatment</source>
<translation>Behandlung entfernen</translation>
</message>
<message id="Move a treatment">
<source>Move a treatment</source>
<translation>Behandlung verschieben</translation>
</message>
<message id="Put treatments in order">
<source>Put treatments in order</source>
<translation>Behandlungen ordnen</translation>
</message>
<message id="Switch a treatment on">
<source>Switch a treatment on</source>
<translation>Behandlung einschalten</translation>
</message>
<message id="Switch a treatment off">
<source>Switch a treatment off</source>
<translation>Behandlung ausschalten</translation>
</message>
<message id="Set an amount">
<source>Set an amount</source>
<translation>Maß setzen</translation>
</message>
<message id="Treating a stretch">
<source>Treating a stretch</source>
<translation>Ein Stück behandeln</translation>
</message>
<message id="Rivlen ended without saving last time. Recover that session?">
<source>Rivlen ended without saving last time. Recover that session?</source>
<translation>Rivlen endete letztes Mal, ohne zu speichern. Diese Sitzung wiederherstellen?</translation>
</message>
<message id="Chains">
<source>Chains</source>
<translation>Ketten</translation>
</message>
<message id="Whole chains of common practice, to begin with">
<source>Whole chains of common practice, to begin with</source>
<translation>Ganze Ketten, wie sie üblich sind, zum Anfangen</translation>
</message>
<message id="Use chain ">
<source>Use chain </source>
<translation>Kette nehmen: </translation>
</message>
<message id="Nothing: all off, all as usual">
<source>Nothing: all off, all as usual</source>
<translation>Nichts: alles aus, alles wie üblich</translation>
</message>
<message id="Reset chain">
<source>Reset chain</source>
<translation>Kette zurücksetzen</translation>
</message>
<message id="Add effect…">
<source>Add effect…</source>
<translation>Effekt dazu…</translation>
</message>
<message id="An installed LV2 effect, tried before it is let in (Shift+E)">
<source>An installed LV2 effect, tried before it is let in (Shift+E)</source>
<translation>Ein installierter LV2-Effekt, geprüft, bevor er eingelassen wird (Shift+E)</translation>
</message>
<message id="Steps of the chain">
<source>Steps of the chain</source>
<translation>Stufen der Kette</translation>
</message>
<message id=" on">
<source> on</source>
<translation> ein</translation>
</message>
<message id="%1 on">
<source>%1 on</source>
<translation>%1 ein</translation>
</message>
<message id="%1 off">
<source>%1 off</source>
<translation>%1 aus</translation>
</message>
<message id="Estimate from the scene">
<source>Estimate from the scene</source>
<translation>Aus der Szene schätzen</translation>
</message>
<message id="Listens how words die away in the loop (or the whole reel) and makes a room of it">
<source>Listens how words die away in the loop (or the whole reel) and makes a room of it</source>
<translation>Hört, wie Wörter in der Schleife (oder der ganzen Rolle) verklingen, und macht daraus einen Raum</translation>
</message>
<message id="Which room">
<source>Which room</source>
<translation>Welcher Raum</translation>
</message>
<message id="The room of Decay and Tone, one that was estimated, or an imported impulse response">
<source>The room of Decay and Tone, one that was estimated, or an imported impulse response</source>
<translation>Der Raum aus Nachhall und Klang, ein geschätzter oder eine eingelesene Impulsantwort</translation>
</message>
<message id="Choose room">
<source>Choose room</source>
<translation>Raum wählen</translation>
</message>
<message id=", an installed effect">
<source>, an installed effect</source>
<translation>, ein installierter Effekt</translation>
</message>
<message id="An installed effect, in a process of its own: if it fails, the sound goes on without it.">
<source>An installed effect, in a process of its own: if it fails, the sound goes on without it.</source>
<translation>Ein installierter Effekt in einem eigenen Prozess: versagt er, geht der Ton ohne ihn weiter.</translation>
</message>
<message id="Plain room: Decay and Tone">
<source>Plain room: Decay and Tone</source>
<translation>Einfacher Raum: Nachhall und Klang</translation>
</message>
<message id=", estimated">
<source>, estimated</source>
<translation>, geschätzt</translation>
</message>
<message id=", as impulse response">
<source>, as impulse response</source>
<translation>, als Impulsantwort</translation>
</message>
<message id="What the module does">
<source>What the module does</source>
<translation>Was das Modul tut</translation>
</message>
<message id="The response over the spectrum of what is heard. Drag a band&apos;s handle.">
<source>The response over the spectrum of what is heard. Drag a band&apos;s handle.</source>
<translation>Der Frequenzgang über dem Spektrum des Gehörten. Den Griff eines Bandes ziehen.</translation>
</message>
<message id="Output level against input level; the dot is how far it is taken down now.">
<source>Output level against input level; the dot is how far it is taken down now.</source>
<translation>Ausgangspegel gegen Eingangspegel; der Punkt zeigt, wie weit jetzt abgesenkt wird.</translation>
</message>
<message id="in, dB">
<source>in, dB</source>
<translation>ein, dB</translation>
</message>
<message id="taken down now">
<source>taken down now</source>
<translation>jetzt abgesenkt</translation>
</message>
<message id=", estimated from the scene">
<source>, estimated from the scene</source>
<translation>, aus der Szene geschätzt</translation>
</message>
<message id="the imported impulse response stands in for it">
<source>the imported impulse response stands in for it</source>
<translation>die eingelesene Impulsantwort tritt an seine Stelle</translation>
</message>
<message id="dark lines low, light lines high octaves">
<source>dark lines low, light lines high octaves</source>
<translation>dunkle Linien tiefe, helle Linien hohe Oktaven</translation>
</message>
<message id="Equaliser">
<source>Equaliser</source>
<translation>Equalizer</translation>
</message>
<message id="Name of the clip">
<source>Name of the clip</source>
<translation>Name des Clips</translation>
</message>
<message id="Gain">
<source>Gain</source>
<translation>Gewinn</translation>
</message>
<message id="How loud the clip is, before the chain. Too much drives the compressor.">
<source>How loud the clip is, before the chain. Too much drives the compressor.</source>
<translation>Wie laut der Clip ist, vor der Kette. Zu viel treibt den Kompressor.</translation>
</message>
<message id="Fade in">
<source>Fade in</source>
<translation>Einblenden</translation>
</message>
<message id="Over which it comes. None at all may click.">
<source>Over which it comes. None at all may click.</source>
<translation>Worüber er kommt. Ganz ohne kann es knacken.</translation>
</message>
<message id="Fade out">
<source>Fade out</source>
<translation>Ausblenden</translation>
</message>
<message id="Over which it goes. Too long takes the last word along.">
<source>Over which it goes. Too long takes the last word along.</source>
<translation>Worüber er geht. Zu lang nimmt das letzte Wort mit.</translation>
</message>
<message id="equal power">
<source>equal power</source>
<translation>gleiche Leistung</translation>
</message>
<message id="linear">
<source>linear</source>
<translation>linear</translation>
</message>
<message id="S-shaped">
<source>S-shaped</source>
<translation>S-förmig</translation>
</message>
<message id="Equal power for sounds that differ, linear or S-shaped where the same sound goes on">
<source>Equal power for sounds that differ, linear or S-shaped where the same sound goes on</source>
<translation>Gleiche Leistung für Klänge, die sich unterscheiden, linear oder S-förmig, wo derselbe Klang weitergeht</translation>
</message>
<message id="Clip gain">
<source>Clip gain</source>
<translation>Gewinn des Clips</translation>
</message>
<message id="Shape of the fade">
<source>Shape of the fade</source>
<translation>Form der Blende</translation>
</message>
<message id="Cut">
<source>Cut</source>
<translation>Schneiden</translation>
</message>
<message id="Cuts the selected clips at the playhead; without a selection the chosen lane&apos;s (S)">
<source>Cuts the selected clips at the playhead; without a selection the chosen lane&apos;s (S)</source>
<translation>Schneidet die gewählten Clips am Abspielkopf; ohne Auswahl die der gewählten Spur (S)</translation>
</message>
<message id="Cross-fade">
<source>Cross-fade</source>
<translation>Überblenden</translation>
</message>
<message id="Fades the clip into the next one on its lane (X)">
<source>Fades the clip into the next one on its lane (X)</source>
<translation>Blendet den Clip in den nächsten auf seiner Spur über (X)</translation>
</message>
<message id="Duplicate">
<source>Duplicate</source>
<translation>Verdoppeln</translation>
</message>
<message id="A copy behind each (Ctrl+D)">
<source>A copy behind each (Ctrl+D)</source>
<translation>Je eine Kopie dahinter (Ctrl+D)</translation>
</message>
<message id="Mute">
<source>Mute</source>
<translation>Stumm</translation>
</message>
<message id="Silent, but still there (U)">
<source>Silent, but still there (U)</source>
<translation>Still, aber noch da (U)</translation>
</message>
<message id="Keep a before">
<source>Keep a before</source>
<translation>Vorher behalten</translation>
</message>
<message id="Keeps the clip as it is on a lane below, muted and marked; work goes on with this one (E)">
<source>Keeps the clip as it is on a lane below, muted and marked; work goes on with this one (E)</source>
<translation>Behält den Clip, wie er ist, auf einer Spur darunter, stumm und bezeichnet; die Arbeit geht mit diesem weiter (E)</translation>
</message>
<message id="Before or after">
<source>Before or after</source>
<translation>Vorher/nachher</translation>
</message>
<message id="Hears the other one of the pair (W)">
<source>Hears the other one of the pair (W)</source>
<translation>Hört den anderen von beiden (W)</translation>
</message>
<message id="Takes the clips away (Delete, on the lanes)">
<source>Takes the clips away (Delete, on the lanes)</source>
<translation>Nimmt die Clips weg (Entf, auf den Spuren)</translation>
</message>
<message id="Marker">
<source>Marker</source>
<translation>Marke</translation>
</message>
<message id="Sets a marker at the playhead, or takes the one there away (K)">
<source>Sets a marker at the playhead, or takes the one there away (K)</source>
<translation>Setzt eine Marke am Abspielkopf oder nimmt die dort weg (K)</translation>
</message>
<message id="Snap to clips, markers and frames">
<source>Snap to clips, markers and frames</source>
<translation>Einrasten an Clips, Marken und Bildern</translation>
</message>
<message id="Clips keep to the borders of others, the loop, markers, the playhead and picture frames; with Ctrl held they move freely">
<source>Clips keep to the borders of others, the loop, markers, the playhead and picture frames; with Ctrl held they move freely</source>
<translation>Clips halten sich an die Grenzen anderer, die Schleife, Marken, den Abspielkopf und die Bilder; mit Ctrl gehen sie frei</translation>
</message>
<message id="Drag a clip by its title strip, with Alt to slip what it holds. Drag its borders to trim, the corners below to fade.">
<source>Drag a clip by its title strip, with Alt to slip what it holds. Drag its borders to trim, the corners below to fade.</source>
<translation>Einen Clip an seinem Titelstreifen ziehen, mit Alt verrutscht, was er enthält. Die Grenzen ziehen zum Beschneiden, die unteren Ecken zum Blenden.</translation>
</message>
<message id="Name clip">
<source>Name clip</source>
<translation>Clip benennen</translation>
</message>
<message id="Choose a clip: click its title strip, or go through them with N.">
<source>Choose a clip: click its title strip, or go through them with N.</source>
<translation>Einen Clip wählen: auf seinen Titelstreifen klicken, oder mit N durchgehen.</translation>
</message>
<message id="There are no lanes yet.">
<source>There are no lanes yet.</source>
<translation>Noch gibt es keine Spuren.</translation>
</message>
<message id="%1 clips are selected; what is set holds for all of them.">
<source>%1 clips are selected; what is set holds for all of them.</source>
<translation>%1 Clips sind gewählt; was eingestellt wird, gilt für alle.</translation>
</message>
<message id="%1 to %2, from %3 of its sound%4">
<source>%1 to %2, from %3 of its sound%4</source>
<translation>%1 bis %2, ab %3 seines Tons%4</translation>
</message>
<message id=", repeating">
<source>, repeating</source>
<translation>, wiederholt</translation>
</message>
<message id="Cut clip">
<source>Cut clip</source>
<translation>Clip schneiden</translation>
</message>
<message id="Remove clip">
<source>Remove clip</source>
<translation>Clip entfernen</translation>
</message>
<message id="Remove clips">
<source>Remove clips</source>
<translation>Clips entfernen</translation>
</message>
<message id="Duplicate clip">
<source>Duplicate clip</source>
<translation>Clip verdoppeln</translation>
</message>
<message id="Duplicate clips">
<source>Duplicate clips</source>
<translation>Clips verdoppeln</translation>
</message>
<message id="Mute clip">
<source>Mute clip</source>
<translation>Clip stummschalten</translation>
</message>
<message id="Unmute clip">
<source>Unmute clip</source>
<translation>Clip wieder hören</translation>
</message>
<message id="Nudge">
<source>Nudge</source>
<translation>Schubsen</translation>
</message>
<message id="Slip">
<source>Slip</source>
<translation>Verrutschen</translation>
</message>
<message id="Trim clip">
<source>Trim clip</source>
<translation>Clip beschneiden</translation>
</message>
<message id="A cross-fade needs a selected clip that touches the next one on its lane, with sound left to draw out.">
<source>A cross-fade needs a selected clip that touches the next one on its lane, with sound left to draw out.</source>
<translation>Eine Überblendung braucht einen gewählten Clip, der den nächsten auf seiner Spur berührt, und Ton, der sich herausziehen lässt.</translation>
</message>
<message id="Hear the other one">
<source>Hear the other one</source>
<translation>Den anderen hören</translation>
</message>
<message id="Paste">
<source>Paste</source>
<translation>Einfügen</translation>
</message>
<message id="Ducking ">
<source>Ducking </source>
<translation>Absenken: </translation>
</message>
<message id="This lane is not ducked: switch ducking on first.">
<source>This lane is not ducked: switch ducking on first.</source>
<translation>Diese Spur wird nicht abgesenkt: zuerst das Absenken einschalten.</translation>
</message>
<message id="The ducking is still being computed; try again in a moment.">
<source>The ducking is still being computed; try again in a moment.</source>
<translation>Das Absenken wird noch berechnet; gleich noch einmal versuchen.</translation>
</message>
<message id="Ducking to automation">
<source>Ducking to automation</source>
<translation>Absenken als Kurve</translation>
</message>
<message id="Works before what stands in front of it now">
<source>Works before what stands in front of it now</source>
<translation>Wirkt vor dem, was jetzt vor ihm steht</translation>
</message>
<message id="Works after what stands behind it now">
<source>Works after what stands behind it now</source>
<translation>Wirkt nach dem, was jetzt hinter ihm steht</translation>
</message>
<message id="Take out">
<source>Take out</source>
<translation>Herausnehmen</translation>
</message>
<message id="Takes it out of the chain, with its curves; undo brings it back">
<source>Takes it out of the chain, with its curves; undo brings it back</source>
<translation>Nimmt ihn aus der Kette, mit seinen Kurven; ein Schritt zurück bringt ihn wieder</translation>
</message>
<message id="Preset">
<source>Preset</source>
<translation>Vorgabe</translation>
</message>
<message id="Settings that came with the effect">
<source>Settings that came with the effect</source>
<translation>Einstellungen, die mit dem Effekt kamen</translation>
</message>
<message id="Curve of">
<source>Curve of</source>
<translation>Kurve von</translation>
</message>
<message id="Draws this control over time, on the lanes">
<source>Draws this control over time, on the lanes</source>
<translation>Zeichnet diesen Regler über die Zeit, auf den Spuren</translation>
</message>
<message id="%1: %2 to %3, usually %4.">
<source>%1: %2 to %3, usually %4.</source>
<translation>%1: %2 bis %3, üblich %4.</translation>
</message>
<message id="%1 that came with it">
<source>%1 that came with it</source>
<translation>%1, die mit ihm kamen</translation>
</message>
<message id="none came with it">
<source>none came with it</source>
<translation>keine kam mit ihm</translation>
</message>
<message id=", by ">
<source>, by </source>
<translation>, von </translation>
</message>
<message id="&quot;%1&quot; is not installed on this machine, or is still being read: its settings are kept.">
<source>&quot;%1&quot; is not installed on this machine, or is still being read: its settings are kept.</source>
<translation>„%1“ ist auf diesem Rechner nicht installiert oder wird noch gelesen: seine Einstellungen bleiben.</translation>
</message>
<message id="Reading the installed effects">
<source>Reading the installed effects</source>
<translation>Installierte Effekte lesen</translation>
</message>
<message id="Reading an effect">
<source>Reading an effect</source>
<translation>Einen Effekt lesen</translation>
</message>
<message id="Trying ">
<source>Trying </source>
<translation>Prüfen: </translation>
</message>
<message id="Add ">
<source>Add </source>
<translation>Hinzufügen: </translation>
</message>
<message id=" off">
<source> off</source>
<translation> aus</translation>
</message>
<message id="Move ">
<source>Move </source>
<translation>Verschieben: </translation>
</message>
<message id="Take out ">
<source>Take out </source>
<translation>Herausnehmen: </translation>
</message>
<message id="Reading a preset">
<source>Reading a preset</source>
<translation>Eine Vorgabe lesen</translation>
</message>
<message id="Add an effect">
<source>Add an effect</source>
<translation>Effekt hinzufügen</translation>
</message>
<message id="Part of the name, the maker or the class">
<source>Part of the name, the maker or the class</source>
<translation>Teil des Namens, des Herstellers oder der Klasse</translation>
</message>
<message id="Classes of effects">
<source>Classes of effects</source>
<translation>Klassen von Effekten</translation>
</message>
<message id="Effects">
<source>Effects</source>
<translation>Effekte</translation>
</message>
<message id="Look again">
<source>Look again</source>
<translation>Neu suchen</translation>
</message>
<message id="Reads the list anew, after something was installed">
<source>Reads the list anew, after something was installed</source>
<translation>Liest die Liste neu, nachdem etwas installiert wurde</translation>
</message>
<message id="Try and add">
<source>Try and add</source>
<translation>Prüfen und hinzufügen</translation>
</message>
<message id="All   %1">
<source>All   %1</source>
<translation>Alle   %1</translation>
</message>
<message id="The effects of this machine are being read…">
<source>The effects of this machine are being read…</source>
<translation>Die Effekte dieses Rechners werden gelesen…</translation>
</message>
<message id="It is tried in a process of its own…">
<source>It is tried in a process of its own…</source>
<translation>Er wird in einem eigenen Prozess geprüft…</translation>
</message>
<message id="No LV2 effect is installed here. Debian&apos;s packages whose names end in -lv2 bring them; then look again.">
<source>No LV2 effect is installed here. Debian&apos;s packages whose names end in -lv2 bring them; then look again.</source>
<translation>Hier ist kein LV2-Effekt installiert. Debians Pakete, deren Namen auf -lv2 enden, bringen welche; dann neu suchen.</translation>
</message>
<message id="No effect has that in its name.">
<source>No effect has that in its name.</source>
<translation>Kein Effekt hat das in seinem Namen.</translation>
</message>
<message id="one channel">
<source>one channel</source>
<translation>ein Kanal</translation>
</message>
<message id="%1 channels">
<source>%1 channels</source>
<translation>%1 Kanäle</translation>
</message>
<message id="It is tried with silence, noise and full scale before it is let in.">
<source>It is tried with silence, noise and full scale before it is let in.</source>
<translation>Er wird mit Stille, Rauschen und Vollaussteuerung geprüft, bevor er eingelassen wird.</translation>
</message>
<message id="It cannot stand here: ">
<source>It cannot stand here: </source>
<translation>Er kann hier nicht stehen: </translation>
</message>
<message id="Angle">
<source>Angle</source>
<translation>Winkel</translation>
</message>
<message id="How wide an angle the picture stands for: a thing at its edge is heard half of that aside. Too wide, and the sound leaves the screen.">
<source>How wide an angle the picture stands for: a thing at its edge is heard half of that aside. Too wide, and the sound leaves the screen.</source>
<translation>Für welchen Blickwinkel das Bild steht: was am Rand ist, ist um die Hälfte davon seitlich zu hören. Zu weit, und der Ton verlässt die Leinwand.</translation>
</message>
<message id="Calm">
<source>Calm</source>
<translation>Ruhe</translation>
</message>
<message id="How long a trembling is averaged over. Too long, and the sound lags where the object turns.">
<source>How long a trembling is averaged over. Too long, and the sound lags where the object turns.</source>
<translation>Worüber ein Zittern gemittelt wird. Zu lang, und der Ton hängt nach, wo das Objekt wendet.</translation>
</message>
<message id="left-right">
<source>left-right</source>
<translation>links-rechts</translation>
</message>
<message id="up-down">
<source>up-down</source>
<translation>auf-ab</translation>
</message>
<message id="near-far">
<source>near-far</source>
<translation>nah-fern</translation>
</message>
<message id="Mark it">
<source>Mark it</source>
<translation>Zeigen</translation>
</message>
<message id="Then drag a box around the object in the picture window: the chosen lane follows it from there (Shift+F)">
<source>Then drag a box around the object in the picture window: the chosen lane follows it from there (Shift+F)</source>
<translation>Dann im Bildfenster einen Kasten um das Objekt ziehen: die gewählte Spur folgt ihm von dort an (Shift+F)</translation>
</message>
<message id="By hand">
<source>By hand</source>
<translation>Von Hand</translation>
</message>
<message id="While it plays the pointer over the picture leads the chosen lane; what it did is written when it stops">
<source>While it plays the pointer over the picture leads the chosen lane; what it did is written when it stops</source>
<translation>Während es spielt, führt der Zeiger über dem Bild die gewählte Spur; was er tat, wird beim Anhalten aufgezeichnet</translation>
</message>
<message id="Stop">
<source>Stop</source>
<translation>Halt</translation>
</message>
<message id="Ends the following; the lane stays as it is">
<source>Ends the following; the lane stays as it is</source>
<translation>Beendet das Verfolgen; die Spur bleibt, wie sie ist</translation>
</message>
<message id="Where it was lost">
<source>Where it was lost</source>
<translation>Wo es verloren ging</translation>
</message>
<message id="Goes to the next place where it was not found: drag a box around it in the picture, and it is followed on from there (Ctrl+Shift+F)">
<source>Goes to the next place where it was not found: drag a box around it in the picture, and it is followed on from there (Ctrl+Shift+F)</source>
<translation>Geht zur nächsten Stelle, an der es nicht gefunden wurde: im Bild einen Kasten darum ziehen, und es wird von dort an weiter verfolgt (Ctrl+Shift+F)</translation>
</message>
<message id="Drag a box around it in the picture window.">
<source>Drag a box around it in the picture window.</source>
<translation>Im Bildfenster einen Kasten darum ziehen.</translation>
</message>
<message id="Play, and lead it with the pointer over the picture.">
<source>Play, and lead it with the pointer over the picture.</source>
<translation>Spielen und mit dem Zeiger über dem Bild führen.</translation>
</message>
<message id="%1 can follow something in the picture.">
<source>%1 can follow something in the picture.</source>
<translation>%1 kann etwas im Bild folgen.</translation>
</message>
<message id="Choose a format above: as the reel, nothing is placed.">
<source>Choose a format above: as the reel, nothing is placed.</source>
<translation>Oben ein Format wählen: wie die Rolle wird nichts platziert.</translation>
</message>
<message id="Choose a lane: groups and the mix have no place.">
<source>Choose a lane: groups and the mix have no place.</source>
<translation>Eine Spur wählen: Gruppen und der Mix haben keinen Ort.</translation>
</message>
<message id="This reel has no picture to follow.">
<source>This reel has no picture to follow.</source>
<translation>Diese Rolle hat kein Bild, dem zu folgen wäre.</translation>
</message>
<message id="Following …">
<source>Following …</source>
<translation>Wird verfolgt …</translation>
</message>
<message id="Followed from %1 to %2 s%3.">
<source>Followed from %1 to %2 s%3.</source>
<translation>Verfolgt von %1 bis %2 s%3.</translation>
</message>
<message id="; not seen for %1 s in %2 place">
<source>; not seen for %1 s in %2 place</source>
<translation>; %1 s lang nicht zu sehen, an %2 Stelle</translation>
</message>
<message id="; not seen for %1 s in %2 places">
<source>; not seen for %1 s in %2 places</source>
<translation>; %1 s lang nicht zu sehen, an %2 Stellen</translation>
</message>
<message id="A lane follows the picture where the mix has a format of its own, a lane is chosen, and the reel has a picture.">
<source>A lane follows the picture where the mix has a format of its own, a lane is chosen, and the reel has a picture.</source>
<translation>Eine Spur folgt dem Bild, wenn der Mix ein eigenes Format hat, eine Spur gewählt ist und die Rolle ein Bild hat.</translation>
</message>
<message id="Following the picture">
<source>Following the picture</source>
<translation>Dem Bild folgen</translation>
</message>
<message id="%1 follows the picture over %2 s.">
<source>%1 follows the picture over %2 s.</source>
<translation>%1 folgt dem Bild über %2 s.</translation>
</message>
<message id="%1 follows the picture, but what it follows was lost %2: go there and drag a box around it, or leave it.">
<source>%1 follows the picture, but what it follows was lost %2: go there and drag a box around it, or leave it.</source>
<translation>%1 folgt dem Bild, aber %2 ging verloren, wem es folgt: dorthin gehen und einen Kasten darum ziehen, oder es lassen.</translation>
</message>
<message id="once">
<source>once</source>
<translation>einmal</translation>
</message>
<message id="Follow the picture">
<source>Follow the picture</source>
<translation>Dem Bild folgen</translation>
</message>
<message id="Nothing that is followed was lost.">
<source>Nothing that is followed was lost.</source>
<translation>Nichts Verfolgtes ging verloren.</translation>
</message>
<message id="Name of the lane">
<source>Name of the lane</source>
<translation>Name der Spur</translation>
</message>
<message id="Leaves it out of the mix (Shift+U)">
<source>Leaves it out of the mix (Shift+U)</source>
<translation>Lässt sie aus dem Mix (Shift+U)</translation>
</message>
<message id="Solo">
<source>Solo</source>
<translation>Solo</translation>
</message>
<message id="Hears it alone, with others that are soloed (Shift+S)">
<source>Hears it alone, with others that are soloed (Shift+S)</source>
<translation>Hört sie allein, mit anderen auf Solo (Shift+S)</translation>
</message>
<message id="Set %1">
<source>Set %1</source>
<translation>%1 einstellen</translation>
</message>
<message id="Lanes of a group are led together: one level, one chain. Type a new name to begin one.">
<source>Lanes of a group are led together: one level, one chain. Type a new name to begin one.</source>
<translation>Die Spuren einer Gruppe werden zusammen geführt: ein Pegel, eine Kette. Einen neuen Namen eingeben, um eine anzufangen.</translation>
</message>
<message id="Add lane">
<source>Add lane</source>
<translation>Neue Spur</translation>
</message>
<message id="An empty lane below this one">
<source>An empty lane below this one</source>
<translation>Eine leere Spur unter dieser</translation>
</message>
<message id="Up">
<source>Up</source>
<translation>Auf</translation>
</message>
<message id="Moves the lane up">
<source>Moves the lane up</source>
<translation>Schiebt die Spur nach oben</translation>
</message>
<message id="Down">
<source>Down</source>
<translation>Ab</translation>
</message>
<message id="Moves the lane down">
<source>Moves the lane down</source>
<translation>Schiebt die Spur nach unten</translation>
</message>
<message id="Takes the lane and its clips away; undo brings them back">
<source>Takes the lane and its clips away; undo brings them back</source>
<translation>Nimmt die Spur und ihre Clips weg; ein Schritt zurück bringt sie wieder</translation>
</message>
<message id="Curves over time">
<source>Curves over time</source>
<translation>Kurven über die Zeit</translation>
</message>
<message id="Curve shown on the lanes">
<source>Curve shown on the lanes</source>
<translation>Kurve, die auf den Spuren zu sehen ist</translation>
</message>
<message id="Hidden">
<source>Hidden</source>
<translation>Verborgen</translation>
</message>
<message id="Strength of the stems">
<source>Strength of the stems</source>
<translation>Stärke der Stems</translation>
</message>
<message id="Raises the curve in the loop: 1 dB, or 5">
<source>Raises the curve in the loop: 1 dB, or 5</source>
<translation>Hebt die Kurve in der Schleife: 1 dB, oder 5</translation>
</message>
<message id="Lowers the curve in the loop: 1 dB, or 5">
<source>Lowers the curve in the loop: 1 dB, or 5</source>
<translation>Senkt die Kurve in der Schleife: 1 dB, oder 5</translation>
</message>
<message id="Copy">
<source>Copy</source>
<translation>Kopie</translation>
</message>
<message id="Copies what the loop holds of the curve">
<source>Copies what the loop holds of the curve</source>
<translation>Kopiert, was die Schleife von der Kurve enthält</translation>
</message>
<message id="Lays what was copied at the playhead">
<source>Lays what was copied at the playhead</source>
<translation>Legt das Kopierte an den Abspielkopf</translation>
</message>
<message id="Thin">
<source>Thin</source>
<translation>Lichten</translation>
</message>
<message id="Takes points away that are not needed">
<source>Takes points away that are not needed</source>
<translation>Nimmt Punkte weg, die nicht nötig sind</translation>
</message>
<message id="Clear">
<source>Clear</source>
<translation>Leeren</translation>
</message>
<message id="Takes the curve away; the slider holds again">
<source>Takes the curve away; the slider holds again</source>
<translation>Nimmt die Kurve weg; der Regler gilt wieder</translation>
</message>
<message id="Name lane">
<source>Name lane</source>
<translation>Spur benennen</translation>
</message>
<message id="Mute lane">
<source>Mute lane</source>
<translation>Spur stumm</translation>
</message>
<message id="Solo lane">
<source>Solo lane</source>
<translation>Spur solo</translation>
</message>
<message id="Below the lanes the strength of the stems is drawn: a double click sets a point.">
<source>Below the lanes the strength of the stems is drawn: a double click sets a point.</source>
<translation>Unter den Spuren wird die Stärke der Stems gezeichnet: ein Doppelklick setzt einen Punkt.</translation>
</message>
<message id="On the chosen lane: a double click sets a point, drag moves it, drag with Shift draws, Delete takes it away.">
<source>On the chosen lane: a double click sets a point, drag moves it, drag with Shift draws, Delete takes it away.</source>
<translation>Auf der gewählten Spur: ein Doppelklick setzt einen Punkt, Ziehen verschiebt ihn, Ziehen mit Shift zeichnet, Entf nimmt ihn weg.</translation>
</message>
<message id="Choose what is drawn on the lanes.">
<source>Choose what is drawn on the lanes.</source>
<translation>Wählen, was auf den Spuren gezeichnet wird.</translation>
</message>
<message id="Pulls this lane down while another one sounds. The change is drawn over its waveform.">
<source>Pulls this lane down while another one sounds. The change is drawn over its waveform.</source>
<translation>Zieht diese Spur herunter, während eine andere klingt. Die Änderung ist über ihrer Wellenform gezeichnet.</translation>
</message>
<message id="Ducked by">
<source>Ducked by</source>
<translation>Abgesenkt durch</translation>
</message>
<message id="Lane that pulls it down">
<source>Lane that pulls it down</source>
<translation>Spur, die sie herunterzieht</translation>
</message>
<message id="wherever somebody speaks there">
<source>wherever somebody speaks there</source>
<translation>wo immer dort jemand spricht</translation>
</message>
<message id="wherever it is louder than the threshold">
<source>wherever it is louder than the threshold</source>
<translation>wo immer sie lauter ist als die Schwelle</translation>
</message>
<message id="Ducking: %1">
<source>Ducking: %1</source>
<translation>Absenken: %1</translation>
</message>
<message id="Turn into a level curve">
<source>Turn into a level curve</source>
<translation>In eine Pegelkurve wandeln</translation>
</message>
<message id="The ducking becomes points that can be drawn by hand; it is switched off">
<source>The ducking becomes points that can be drawn by hand; it is switched off</source>
<translation>Das Absenken wird zu Punkten, die sich von Hand zeichnen lassen; es wird ausgeschaltet</translation>
</message>
<message id="Duck">
<source>Duck</source>
<translation>Senken</translation>
</message>
<message id="Duck no longer">
<source>Duck no longer</source>
<translation>Nicht mehr absenken</translation>
</message>
<message id="Duck by">
<source>Duck by</source>
<translation>Absenken durch</translation>
</message>
<message id="Choose a lane">
<source>Choose a lane</source>
<translation>Eine Spur wählen</translation>
</message>
<message id="An effect that is not here">
<source>An effect that is not here</source>
<translation>Ein Effekt, der nicht hier ist</translation>
</message>
<message id="Draw ">
<source>Draw </source>
<translation>Zeichnen: </translation>
</message>
<message id="Set a loop over what is to be raised or lowered: drag over the picture.">
<source>Set a loop over what is to be raised or lowered: drag over the picture.</source>
<translation>Eine Schleife über das setzen, was gehoben oder gesenkt werden soll: über das Bild ziehen.</translation>
</message>
<message id="Set a loop over a part of a curve first; then it can be copied.">
<source>Set a loop over a part of a curve first; then it can be copied.</source>
<translation>Zuerst eine Schleife über einen Teil einer Kurve setzen; dann lässt er sich kopieren.</translation>
</message>
<message id="The curve keeps %1 of %2 points.">
<source>The curve keeps %1 of %2 points.</source>
<translation>Die Kurve behält %1 von %2 Punkten.</translation>
</message>
<message id="Slip clip">
<source>Slip clip</source>
<translation>Clip verrutschen</translation>
</message>
<message id="Move clip">
<source>Move clip</source>
<translation>Clip verschieben</translation>
</message>
<message id="Fade clip">
<source>Fade clip</source>
<translation>Clip blenden</translation>
</message>
<message id="A curve holds at most 2000 points: thin it first.">
<source>A curve holds at most 2000 points: thin it first.</source>
<translation>Eine Kurve hat höchstens 2000 Punkte: zuerst lichten.</translation>
</message>
<message id="Mix">
<source>Mix</source>
<translation>Mix</translation>
</message>
<message id="before · ">
<source>before · </source>
<translation>vorher · </translation>
</message>
<message id="after · ">
<source>after · </source>
<translation>nachher · </translation>
</message>
<message id="  (muted)">
<source>  (muted)</source>
<translation>  (stumm)</translation>
</message>
<message id="  repeats">
<source>  repeats</source>
<translation>  wiederholt</translation>
</message>
<message id="level drawn">
<source>level drawn</source>
<translation>Pegel gezeichnet</translation>
</message>
<message id="pan drawn">
<source>pan drawn</source>
<translation>Panorama gezeichnet</translation>
</message>
<message id="left">
<source>left</source>
<translation>links</translation>
</message>
<message id="right">
<source>right</source>
<translation>rechts</translation>
</message>
<message id="width %1 %">
<source>width %1 %</source>
<translation>Breite %1 %</translation>
</message>
<message id="chain">
<source>chain</source>
<translation>Kette</translation>
</message>
<message id="ducked by ">
<source>ducked by </source>
<translation>abgesenkt durch </translation>
</message>
<message id="in ">
<source>in </source>
<translation>in </translation>
</message>
<message id="Remove lane">
<source>Remove lane</source>
<translation>Spur entfernen</translation>
</message>
<message id="Move lane">
<source>Move lane</source>
<translation>Spur verschieben</translation>
</message>
<message id="Lanes">
<source>Lanes</source>
<translation>Spuren</translation>
</message>
<message id="Split it now">
<source>Split it now</source>
<translation>Jetzt trennen</translation>
</message>
<message id="Separates the reel with its network and quality, as at Split (Ctrl+Return)">
<source>Separates the reel with its network and quality, as at Split (Ctrl+Return)</source>
<translation>Trennt die Rolle mit ihrem Netz und ihrer Güte, wie unter Trennen (Ctrl+Return)</translation>
</message>
<message id="Add a recording at Intake first; its stems get a lane each here.">
<source>Add a recording at Intake first; its stems get a lane each here.</source>
<translation>Zuerst im Eingang eine Aufnahme hinzufügen; ihre Stems bekommen hier je eine Spur.</translation>
</message>
<message id="Stems grow as they are split.">
<source>Stems grow as they are split.</source>
<translation>Stems wachsen, während getrennt wird.</translation>
</message>
<message id="The stems are silent until this reel is split.">
<source>The stems are silent until this reel is split.</source>
<translation>Die Stems sind still, bis diese Rolle getrennt ist.</translation>
</message>
<message id="It has that already: choose another stem to give it to.">
<source>It has that already: choose another stem to give it to.</source>
<translation>Dort ist es schon: einen anderen Stem wählen, dem es gegeben wird.</translation>
</message>
<message id="Give to the dialogue">
<source>Give to the dialogue</source>
<translation>Dem Dialog geben</translation>
</message>
<message id="Give to the music">
<source>Give to the music</source>
<translation>Der Musik geben</translation>
</message>
<message id="Give to the ambience">
<source>Give to the ambience</source>
<translation>Der Atmo geben</translation>
</message>
<message id="Lower">
<source>Lower</source>
<translation>Absenken</translation>
</message>
<message id="Heal from its surroundings">
<source>Heal from its surroundings</source>
<translation>Aus der Umgebung heilen</translation>
</message>
<message id="Mark areas on the Ownership picture">
<source>Mark areas on the Ownership picture</source>
<translation>Flächen im Zugehörigkeitsbild zeigen</translation>
</message>
<message id="While it is on, dragging over the picture marks an area instead of setting the loop">
<source>While it is on, dragging over the picture marks an area instead of setting the loop</source>
<translation>Solange es an ist, zeigt Ziehen über das Bild eine Fläche an, statt die Schleife zu setzen</translation>
</message>
<message id="How an area is marked">
<source>How an area is marked</source>
<translation>Wie eine Fläche gezeigt wird</translation>
</message>
<message id="Rectangle">
<source>Rectangle</source>
<translation>Rechteck</translation>
</message>
<message id="Lasso">
<source>Lasso</source>
<translation>Lasso</translation>
</message>
<message id="Brush">
<source>Brush</source>
<translation>Pinsel</translation>
</message>
<message id="Whose sound is touched">
<source>Whose sound is touched</source>
<translation>Wessen Ton berührt wird</translation>
</message>
<message id="in the dialogue">
<source>in the dialogue</source>
<translation>im Dialog</translation>
</message>
<message id="in the music">
<source>in the music</source>
<translation>in der Musik</translation>
</message>
<message id="in the ambience">
<source>in the ambience</source>
<translation>in der Atmo</translation>
</message>
<message id="What is done">
<source>What is done</source>
<translation>Was geschieht</translation>
</message>
<message id="Amount">
<source>Amount</source>
<translation>Maß</translation>
</message>
<message id="How much of it: per cent, or decibels down where it is lowered.">
<source>How much of it: per cent, or decibels down where it is lowered.</source>
<translation>Wie viel davon: Prozent, oder Dezibel nach unten, wo abgesenkt wird.</translation>
</message>
<message id="Harmonics">
<source>Harmonics</source>
<translation>Obertöne</translation>
</message>
<message id="So many multiples of the marked frequencies belong to it: for hums, whistles and horns.">
<source>So many multiples of the marked frequencies belong to it: for hums, whistles and horns.</source>
<translation>So viele Vielfache der gezeigten Frequenzen gehören dazu: für Brummen, Pfeifen und Hupen.</translation>
</message>
<message id="Brush width">
<source>Brush width</source>
<translation>Pinselbreite</translation>
</message>
<message id="Half the width of the brush in time.">
<source>Half the width of the brush in time.</source>
<translation>Die halbe Breite des Pinsels in der Zeit.</translation>
</message>
<message id="Brush height">
<source>Brush height</source>
<translation>Pinselhöhe</translation>
</message>
<message id="Half the height of the brush in octaves.">
<source>Half the height of the brush in octaves.</source>
<translation>Die halbe Höhe des Pinsels in Oktaven.</translation>
</message>
<message id="Mends">
<source>Mends</source>
<translation>Heilungen</translation>
</message>
<message id="Takes the chosen mend away">
<source>Takes the chosen mend away</source>
<translation>Nimmt die gewählte Heilung weg</translation>
</message>
<message id="What changes owner is conserved: the stems still sum to the recording. What is lowered or healed is changed in both.">
<source>What changes owner is conserved: the stems still sum to the recording. What is lowered or healed is changed in both.</source>
<translation>Was den Besitzer wechselt, bleibt erhalten: die Stems sind zusammen noch die Aufnahme. Was abgesenkt oder geheilt wird, ändert sich in beiden.</translation>
</message>
<message id="Remove mend">
<source>Remove mend</source>
<translation>Heilung entfernen</translation>
</message>
<message id="Mend on">
<source>Mend on</source>
<translation>Heilung ein</translation>
</message>
<message id="Mend off">
<source>Mend off</source>
<translation>Heilung aus</translation>
</message>
<message id="dialogue">
<source>dialogue</source>
<translation>Dialog</translation>
</message>
<message id="ambience">
<source>ambience</source>
<translation>Atmo</translation>
</message>
<message id="%1: to %2">
<source>%1: to %2</source>
<translation>%1: an %2</translation>
</message>
<message id="%1 healed">
<source>%1 healed</source>
<translation>%1 geheilt</translation>
</message>
<message id="%1 lowered">
<source>%1 lowered</source>
<translation>%1 abgesenkt</translation>
</message>
<message id="Mend">
<source>Mend</source>
<translation>Heilen</translation>
</message>
<message id="Mending">
<source>Mending</source>
<translation>Heilen</translation>
</message>
<message id="Microphone">
<source>Microphone</source>
<translation>Mikrofon</translation>
</message>
<message id="Voice comes from">
<source>Voice comes from</source>
<translation>Stimme von</translation>
</message>
<message id="With JACK as the sound output it is what is connected to the port Voice, whatever is chosen here">
<source>With JACK as the sound output it is what is connected to the port Voice, whatever is chosen here</source>
<translation>Mit JACK als Tonausgabe ist es, was am Anschluss Voice hängt, was immer hier gewählt ist</translation>
</message>
<message id="Channel">
<source>Channel</source>
<translation>Kanal</translation>
</message>
<message id="Of the card">
<source>Of the card</source>
<translation>Der Karte</translation>
</message>
<message id="Later than it says">
<source>Later than it says</source>
<translation>Später, als es sagt</translation>
</message>
<message id="What the device itself says of its ways is taken off already; this goes off as well">
<source>What the device itself says of its ways is taken off already; this goes off as well</source>
<translation>Was das Gerät selbst von seinen Wegen sagt, ist schon abgezogen; das hier geht auch noch ab</translation>
</message>
<message id="Level">
<source>Level</source>
<translation>Pegel</translation>
</message>
<message id="Where takes come late or early: connect the output to the input with a cable, or hold the microphone to the loudspeaker, and measure it.">
<source>Where takes come late or early: connect the output to the input with a cable, or hold the microphone to the loudspeaker, and measure it.</source>
<translation>Wo Takes zu spät oder zu früh kommen: den Ausgang mit einem Kabel auf den Eingang legen oder das Mikrofon an den Lautsprecher halten, und messen.</translation>
</message>
<message id="Measure">
<source>Measure</source>
<translation>Messen</translation>
</message>
<message id="Plays four seconds of the recording from the playhead on, and finds how late they come back">
<source>Plays four seconds of the recording from the playhead on, and finds how late they come back</source>
<translation>Spielt vier Sekunden der Aufnahme vom Abspielkopf an und findet, wie spät sie zurückkommen</translation>
</message>
<message id="the default microphone">
<source>the default microphone</source>
<translation>das übliche Mikrofon</translation>
</message>
<message id="nowhere: what is heard comes back (to try it)">
<source>nowhere: what is heard comes back (to try it)</source>
<translation>nirgendwoher: das Gehörte kommt zurück (zum Versuchen)</translation>
</message>
<message id="   gain">
<source>   gain</source>
<translation>   Gewinn</translation>
</message>
<message id=" silent">
<source> silent</source>
<translation> still</translation>
</message>
<message id="every part at 0 dB">
<source>every part at 0 dB</source>
<translation>jeder Teil bei 0 dB</translation>
</message>
<message id="Lay in parts">
<source>Lay in parts</source>
<translation>Teile einsetzen</translation>
</message>
<message id="Lays %1 on lanes of their own">
<source>Lays %1 on lanes of their own</source>
<translation>Legt %1 auf eigene Spuren</translation>
</message>
<message id="Instrumental">
<source>Instrumental</source>
<translation>Ohne Gesang</translation>
</message>
<message id="The music without its vocals, in one step; again: with them (Shift+I)">
<source>The music without its vocals, in one step; again: with them (Shift+I)</source>
<translation>Die Musik ohne ihren Gesang, in einem Schritt; noch einmal: mit ihm (Shift+I)</translation>
</message>
<message id="Balances of the ">
<source>Balances of the </source>
<translation>Mischungen: </translation>
</message>
<message id="Use">
<source>Use</source>
<translation>Nehmen</translation>
</message>
<message id="Sets the levels of the parts: over the loop, or without one over the whole reel">
<source>Sets the levels of the parts: over the loop, or without one over the whole reel</source>
<translation>Setzt die Pegel der Teile: über die Schleife, ohne eine über die ganze Rolle</translation>
</message>
<message id="Removes a balance of your own">
<source>Removes a balance of your own</source>
<translation>Entfernt eine eigene Mischung</translation>
</message>
<message id="Name of a balance of your own">
<source>Name of a balance of your own</source>
<translation>Name einer eigenen Mischung</translation>
</message>
<message id="Keep">
<source>Keep</source>
<translation>Merken</translation>
</message>
<message id="Keeps the levels that the parts have at the playhead">
<source>Keeps the levels that the parts have at the playhead</source>
<translation>Merkt die Pegel, die die Teile am Abspielkopf haben</translation>
</message>
<message id="Reels with their %1 in parts">
<source>Reels with their %1 in parts</source>
<translation>Rollen mit Teilen: %1</translation>
</message>
<message id="Take its remix">
<source>Take its remix</source>
<translation>Mischung nehmen</translation>
</message>
<message id="Gives this reel the levels, also drawn ones, of that reel&apos;s parts">
<source>Gives this reel the levels, also drawn ones, of that reel&apos;s parts</source>
<translation>Gibt dieser Rolle die Pegel, auch gezeichnete, der Teile jener Rolle</translation>
</message>
<message id="A balance is laid over the loop, faded at its ends; Escape takes the loop away.">
<source>A balance is laid over the loop, faded at its ends; Escape takes the loop away.</source>
<translation>Eine Mischung gilt über die Schleife, an den Enden geblendet; Escape nimmt die Schleife weg.</translation>
</message>
<message id="A balance is laid over the whole reel; with a loop over the loop alone.">
<source>A balance is laid over the whole reel; with a loop over the loop alone.</source>
<translation>Eine Mischung gilt über die ganze Rolle; mit einer Schleife nur über die Schleife.</translation>
</message>
<message id="No other reel has it in parts">
<source>No other reel has it in parts</source>
<translation>Keine andere Rolle hat sie in Teilen</translation>
</message>
<message id="The lanes hold parts of it already.">
<source>The lanes hold parts of it already.</source>
<translation>Die Spuren enthalten schon Teile davon.</translation>
</message>
<message id="Lay the %1 in parts">
<source>Lay the %1 in parts</source>
<translation>%1 in Teilen einsetzen</translation>
</message>
<message id="No lane plays the %1: lay it on a lane first.">
<source>No lane plays the %1: lay it on a lane first.</source>
<translation>Keine Spur spielt %1: zuerst auf eine Spur legen.</translation>
</message>
<message id="Vocals again">
<source>Vocals again</source>
<translation>Wieder mit Gesang</translation>
</message>
<message id="No lane plays the music: lay it on a lane first.">
<source>No lane plays the music: lay it on a lane first.</source>
<translation>Keine Spur spielt die Musik: zuerst auf eine Spur legen.</translation>
</message>
<message id="The vocals are heard again.">
<source>The vocals are heard again.</source>
<translation>Der Gesang ist wieder zu hören.</translation>
</message>
<message id="Instrumental: the vocals are mute, all else stays.">
<source>Instrumental: the vocals are mute, all else stays.</source>
<translation>Ohne Gesang: der Gesang ist stumm, alles andere bleibt.</translation>
</message>
<message id="Balance: ">
<source>Balance: </source>
<translation>Mischung: </translation>
</message>
<message id="&quot;%1&quot; is laid over %2.">
<source>&quot;%1&quot; is laid over %2.</source>
<translation>„%1“ gilt über %2.</translation>
</message>
<message id="the loop">
<source>the loop</source>
<translation>die Schleife</translation>
</message>
<message id="the whole reel">
<source>the whole reel</source>
<translation>die ganze Rolle</translation>
</message>
<message id="There is no balance yet: lay the stem in parts first.">
<source>There is no balance yet: lay the stem in parts first.</source>
<translation>Noch gibt es keine Mischung: zuerst den Stem in Teilen einsetzen.</translation>
</message>
<message id="The levels at the playhead are kept as &quot;%1&quot;.">
<source>The levels at the playhead are kept as &quot;%1&quot;.</source>
<translation>Die Pegel am Abspielkopf sind als „%1“ gemerkt.</translation>
</message>
<message id="Remix of ">
<source>Remix of </source>
<translation>Mischung von </translation>
</message>
<message id="%1 has no %2 in parts: choose another reel.">
<source>%1 has no %2 in parts: choose another reel.</source>
<translation>%1 hat %2 nicht in Teilen: eine andere Rolle wählen.</translation>
</message>
<message id="The levels of its parts are those of %1 now.">
<source>The levels of its parts are those of %1 now.</source>
<translation>Die Pegel ihrer Teile sind jetzt die von %1.</translation>
</message>
<message id="Fold group">
<source>Fold group</source>
<translation>Gruppe falten</translation>
</message>
<message id="in front">
<source>in front</source>
<translation>vorn</translation>
</message>
<message id="behind">
<source>behind</source>
<translation>hinten</translation>
</message>
<message id="up">
<source>up</source>
<translation>oben</translation>
</message>
<message id="down">
<source>down</source>
<translation>unten</translation>
</message>
<message id="Place lane">
<source>Place lane</source>
<translation>Spur platzieren</translation>
</message>
<message id="Choose a format above to place the lanes.">
<source>Choose a format above to place the lanes.</source>
<translation>Oben ein Format wählen, um die Spuren zu platzieren.</translation>
</message>
<message id="Lanes seen from above">
<source>Lanes seen from above</source>
<translation>Spuren von oben gesehen</translation>
</message>
<message id="Drag a lane&apos;s dot, or: left and right turn it (Shift: finely), up and down move it away and near, Page up and down raise and lower it; Ctrl with up and down chooses another lane">
<source>Drag a lane&apos;s dot, or: left and right turn it (Shift: finely), up and down move it away and near, Page up and down raise and lower it; Ctrl with up and down chooses another lane</source>
<translation>Den Punkt einer Spur ziehen, oder: links und rechts drehen ihn (Shift: fein), auf und ab rücken ihn fort und heran, Bild auf und ab heben und senken ihn; Ctrl mit auf und ab wählt eine andere Spur</translation>
</message>
<message id="at Rebuild: choose a lane; N, Shift+N a clip on it">
<source>at Rebuild: choose a lane; N, Shift+N a clip on it</source>
<translation>im Aufbau: eine Spur wählen; N, Shift+N einen Clip darauf</translation>
</message>
<message id="at Rebuild: cut clips at the playhead, cross-fade into the next">
<source>at Rebuild: cut clips at the playhead, cross-fade into the next</source>
<translation>im Aufbau: Clips am Abspielkopf schneiden, in den nächsten überblenden</translation>
</message>
<message id="at Rebuild: duplicate, copy, cut, paste at the playhead; Delete removes">
<source>at Rebuild: duplicate, copy, cut, paste at the playhead; Delete removes</source>
<translation>im Aufbau: verdoppeln, kopieren, ausschneiden, am Abspielkopf einfügen; Entf entfernt</translation>
</message>
<message id="at Rebuild: trim clips to the playhead">
<source>at Rebuild: trim clips to the playhead</source>
<translation>im Aufbau: Clips bis zum Abspielkopf beschneiden</translation>
</message>
<message id="at Rebuild: nudge by a picture frame or 10 ms; with Shift slip">
<source>at Rebuild: nudge by a picture frame or 10 ms; with Shift slip</source>
<translation>im Aufbau: um ein Bild oder 10 ms schubsen; mit Shift verrutschen</translation>
</message>
<message id="at Rebuild: mute clips, mute the lane, solo it">
<source>at Rebuild: mute clips, mute the lane, solo it</source>
<translation>im Aufbau: Clips stumm, die Spur stumm, solo</translation>
</message>
<message id="at Rebuild: keep a before, hear before or after">
<source>at Rebuild: keep a before, hear before or after</source>
<translation>im Aufbau: ein Vorher behalten, vorher oder nachher hören</translation>
</message>
<message id="at Rebuild: the music without its vocals, and with them again">
<source>at Rebuild: the music without its vocals, and with them again</source>
<translation>im Aufbau: die Musik ohne ihren Gesang, und wieder mit ihm</translation>
</message>
<message id="at Rebuild: put an installed effect into the chain">
<source>at Rebuild: put an installed effect into the chain</source>
<translation>im Aufbau: einen installierten Effekt in die Kette setzen</translation>
</message>
<message id="at Rebuild: mark in the picture what the lane follows; to where it was lost">
<source>at Rebuild: mark in the picture what the lane follows; to where it was lost</source>
<translation>im Aufbau: im Bild zeigen, wem die Spur folgt; dorthin, wo es verloren ging</translation>
</message>
<message id="at Rebuild: record a voice line, and end it">
<source>at Rebuild: record a voice line, and end it</source>
<translation>im Aufbau: eine Sprachzeile aufnehmen, und beenden</translation>
</message>
<message id="at Rebuild: marker, fill the loop with room tone, replace the music">
<source>at Rebuild: marker, fill the loop with room tone, replace the music</source>
<translation>im Aufbau: Marke, die Schleife mit Raumton füllen, die Musik ersetzen</translation>
</message>
<message id="Reading the room">
<source>Reading the room</source>
<translation>Den Raum lesen</translation>
</message>
<message id="Import sound">
<source>Import sound</source>
<translation>Klang einlesen</translation>
</message>
<message id="Import sounds">
<source>Import sounds</source>
<translation>Klänge einlesen</translation>
</message>
<message id="Lane">
<source>Lane</source>
<translation>Spur</translation>
</message>
<message id="Chain">
<source>Chain</source>
<translation>Kette</translation>
</message>
<message id="Clip">
<source>Clip</source>
<translation>Clip</translation>
</message>
<message id="Parts">
<source>Parts</source>
<translation>Teile</translation>
</message>
<message id="Tools">
<source>Tools</source>
<translation>Extras</translation>
</message>
<message id="Space">
<source>Space</source>
<translation>Raum</translation>
</message>
<message id="Replace the music">
<source>Replace the music</source>
<translation>Musik ersetzen</translation>
</message>
<message id="1   The new cue">
<source>1   The new cue</source>
<translation>1   Das neue Stück</translation>
</message>
<message id="A sound file, at any rate">
<source>A sound file, at any rate</source>
<translation>Eine Klangdatei, mit beliebiger Rate</translation>
</message>
<message id="Choose…">
<source>Choose…</source>
<translation>Wählen…</translation>
</message>
<message id="Old music goes from">
<source>Old music goes from</source>
<translation>Alte Musik weicht von</translation>
</message>
<message id="Where the loop begins, if there is one">
<source>Where the loop begins, if there is one</source>
<translation>Wo die Schleife beginnt, wenn es eine gibt</translation>
</message>
<message id="Where the loop ends">
<source>Where the loop ends</source>
<translation>Wo die Schleife endet</translation>
</message>
<message id="Cue begins at">
<source>Cue begins at</source>
<translation>Stück beginnt bei</translation>
</message>
<message id="What lies before is left out">
<source>What lies before is left out</source>
<translation>Was davor liegt, fällt weg</translation>
</message>
<message id="Own ending">
<source>Own ending</source>
<translation>Eigener Schluss</translation>
</message>
<message id="So many seconds of the cue&apos;s own ending close the span; 0: it fades out">
<source>So many seconds of the cue&apos;s own ending close the span; 0: it fades out</source>
<translation>So viele Sekunden vom eigenen Schluss des Stücks schließen ab; 0: es wird ausgeblendet</translation>
</message>
<message id="Repeats from">
<source>Repeats from</source>
<translation>Wiederholt von</translation>
</message>
<message id="Of the cue, where it is too short; both 0: chosen by itself">
<source>Of the cue, where it is too short; both 0: chosen by itself</source>
<translation>Des Stücks, wo es zu kurz ist; beide 0: von selbst gewählt</translation>
</message>
<message id="End of what is repeated">
<source>End of what is repeated</source>
<translation>Ende des Wiederholten</translation>
</message>
<message id="Over which the cue comes">
<source>Over which the cue comes</source>
<translation>Worüber das Stück kommt</translation>
</message>
<message id="Over which it goes, where it has no ending of its own">
<source>Over which it goes, where it has no ending of its own</source>
<translation>Worüber es geht, wo es keinen eigenen Schluss hat</translation>
</message>
<message id="On top of the match">
<source>On top of the match</source>
<translation>Zusätzlich zum Angleichen</translation>
</message>
<message id="2   How it sits">
<source>2   How it sits</source>
<translation>2   Wie es sitzt</translation>
</message>
<message id="As loud as the old music (BS.1770 in the span)">
<source>As loud as the old music (BS.1770 in the span)</source>
<translation>So laut wie die alte Musik (BS.1770 im Stück)</translation>
</message>
<message id="Ducked under the voice; how far is set at Duck">
<source>Ducked under the voice; how far is set at Duck</source>
<translation>Unter der Stimme abgesenkt; wie weit, steht unter Senken</translation>
</message>
<message id="Leave it">
<source>Leave it</source>
<translation>Lassen</translation>
</message>
<message id="Replace">
<source>Replace</source>
<translation>Ersetzen</translation>
</message>
<message id="The new cue">
<source>The new cue</source>
<translation>Das neue Stück</translation>
</message>
<message id="Choose the cue. The old music is taken out of the span; the voice and its room stay as they are.">
<source>Choose the cue. The old music is taken out of the span; the voice and its room stay as they are.</source>
<translation>Das neue Stück wählen. Die alte Musik wird dort herausgenommen; die Stimme und ihr Raum bleiben, wie sie sind.</translation>
</message>
<message id="The span is shorter than half a second: make it longer.">
<source>The span is shorter than half a second: make it longer.</source>
<translation>Es ist kürzer als eine halbe Sekunde: länger machen.</translation>
</message>
<message id="The cue begins after its own end: let it begin earlier.">
<source>The cue begins after its own end: let it begin earlier.</source>
<translation>Das Stück beginnt nach seinem eigenen Ende: früher beginnen lassen.</translation>
</message>
<message id="The old music goes for %1 s. The cue is %2 s long">
<source>The old music goes for %1 s. The cue is %2 s long</source>
<translation>Die alte Musik weicht %1 s lang. Das Stück ist %2 s lang</translation>
</message>
<message id=", so it repeats">
<source>, so it repeats</source>
<translation>, also wiederholt es sich</translation>
</message>
<message id=", so it is cut to length">
<source>, so it is cut to length</source>
<translation>, also wird es auf Länge geschnitten</translation>
</message>
<message id=" and closes with its own last %1 s.">
<source> and closes with its own last %1 s.</source>
<translation> und schließt mit seinen eigenen letzten %1 s.</translation>
</message>
<message id=" and fades out over %1 s.">
<source> and fades out over %1 s.</source>
<translation> und wird über %1 s ausgeblendet.</translation>
</message>
<message id="Estimating the room">
<source>Estimating the room</source>
<translation>Den Raum schätzen</translation>
</message>
<message id="The room cannot be told here: too few words die away freely. Take a longer loop, or set Decay by ear.">
<source>The room cannot be told here: too few words die away freely. Take a longer loop, or set Decay by ear.</source>
<translation>Der Raum lässt sich hier nicht bestimmen: zu wenige Wörter verklingen frei. Eine längere Schleife nehmen, oder den Nachhall nach Gehör setzen.</translation>
</message>
<message id="Estimate room">
<source>Estimate room</source>
<translation>Raum schätzen</translation>
</message>
<message id="The scene&apos;s room dies away in %1 s; it is switched on for %2.">
<source>The scene&apos;s room dies away in %1 s; it is switched on for %2.</source>
<translation>Der Raum der Szene verklingt in %1 s; er ist für %2 eingeschaltet.</translation>
</message>
<message id="Matching the new music">
<source>Matching the new music</source>
<translation>Die neue Musik angleichen</translation>
</message>
<message id="The new music lies on a lane of its own at %1 dB%2; the old one is taken out there.">
<source>The new music lies on a lane of its own at %1 dB%2; the old one is taken out there.</source>
<translation>Die neue Musik liegt auf einer eigenen Spur bei %1 dB%2; die alte ist dort herausgenommen.</translation>
</message>
<message id=", ducked under the voice">
<source>, ducked under the voice</source>
<translation>, unter der Stimme abgesenkt</translation>
</message>
<message id="Writing the mix">
<source>Writing the mix</source>
<translation>Den Mix schreiben</translation>
</message>
<message id="The mix is written to %1.">
<source>The mix is written to %1.</source>
<translation>Der Mix steht in %1.</translation>
</message>
<message id="Laying in ">
<source>Laying in </source>
<translation>Einsetzen: </translation>
</message>
<message id="The lanes were changed while the list was read: lay it in again.">
<source>The lanes were changed while the list was read: lay it in again.</source>
<translation>Die Spuren wurden geändert, während die Liste gelesen wurde: noch einmal einsetzen.</translation>
</message>
<message id="The list holds nothing that can be laid in.">
<source>The list holds nothing that can be laid in.</source>
<translation>Die Liste enthält nichts, das sich einsetzen lässt.</translation>
</message>
<message id="Lay in a list">
<source>Lay in a list</source>
<translation>Liste einsetzen</translation>
</message>
<message id="%1 on %2">
<source>%1 on %2</source>
<translation>%1 auf %2</translation>
</message>
<message id="%1 clip">
<source>%1 clip</source>
<translation>%1 Clip</translation>
</message>
<message id="%1 clips">
<source>%1 clips</source>
<translation>%1 Clips</translation>
</message>
<message id="%1 lane">
<source>%1 lane</source>
<translation>%1 Spur</translation>
</message>
<message id="%1 lanes">
<source>%1 lanes</source>
<translation>%1 Spuren</translation>
</message>
<message id="%1 marker">
<source>%1 marker</source>
<translation>%1 Marke</translation>
</message>
<message id="%1 markers">
<source>%1 markers</source>
<translation>%1 Marken</translation>
</message>
<message id=" and ">
<source> and </source>
<translation> und </translation>
</message>
<message id=" laid in.">
<source> laid in.</source>
<translation> eingesetzt.</translation>
</message>
<message id=" (and %1 more)">
<source> (and %1 more)</source>
<translation> (und %1 weitere)</translation>
</message>
<message id="Format of the mix">
<source>Format of the mix</source>
<translation>Format des Mix</translation>
</message>
<message id="What the mix is made for. You hear it folded to two channels; deliverables whose layout is the mix&apos;s own have its channels.">
<source>What the mix is made for. You hear it folded to two channels; deliverables whose layout is the mix&apos;s own have its channels.</source>
<translation>Wofür der Mix gemacht ist. Zu hören ist er auf zwei Kanäle gefaltet; Lieferungen, deren Anordnung die des Mix ist, haben seine Kanäle.</translation>
</message>
<message id="The mix is">
<source>The mix is</source>
<translation>Der Mix ist</translation>
</message>
<message id="Headphones">
<source>Headphones</source>
<translation>Kopfhörer</translation>
</message>
<message id="Hears the mix through a head&apos;s two ears in place of two loudspeakers (Ctrl+H); Ctrl+Shift with left and right turns the head">
<source>Hears the mix through a head&apos;s two ears in place of two loudspeakers (Ctrl+H); Ctrl+Shift with left and right turns the head</source>
<translation>Hört den Mix durch die beiden Ohren eines Kopfes statt über zwei Lautsprecher (Ctrl+H); Ctrl+Shift mit links und rechts dreht den Kopf</translation>
</message>
<message id="What the mix is heard as">
<source>What the mix is heard as</source>
<translation>Als was der Mix zu hören ist</translation>
</message>
<message id="How you listen, apart from what the mix is made for: folded to fewer loudspeakers first (ITU-R BS.775), as a listener who has only those hears it">
<source>How you listen, apart from what the mix is made for: folded to fewer loudspeakers first (ITU-R BS.775), as a listener who has only those hears it</source>
<translation>Wie gehört wird, unabhängig davon, wofür der Mix gemacht ist: zuerst auf weniger Lautsprecher gefaltet (ITU-R BS.775), wie ihn hört, wer nur diese hat</translation>
</message>
<message id="Heard as">
<source>Heard as</source>
<translation>Gehört als</translation>
</message>
<message id="From above">
<source>From above</source>
<translation>Von oben</translation>
</message>
<message id="Sphere">
<source>Sphere</source>
<translation>Kugel</translation>
</message>
<message id="Meters">
<source>Meters</source>
<translation>Anzeigen</translation>
</message>
<message id="Follow">
<source>Follow</source>
<translation>Folgen</translation>
</message>
<message id="Mix for ">
<source>Mix for </source>
<translation>Mix für </translation>
</message>
<message id="No lane is chosen">
<source>No lane is chosen</source>
<translation>Keine Spur ist gewählt</translation>
</message>
<message id="Groups and the mix have no place: choose one of their lanes.">
<source>Groups and the mix have no place: choose one of their lanes.</source>
<translation>Gruppen und der Mix haben keinen Ort: eine ihrer Spuren wählen.</translation>
</message>
<message id="As the reel: lanes are panned on the page Lane.">
<source>As the reel: lanes are panned on the page Lane.</source>
<translation>Wie die Rolle: das Panorama der Spuren steht auf der Seite Spur.</translation>
</message>
<message id="True peak and loudness of each channel">
<source>True peak and loudness of each channel</source>
<translation>True Peak und Lautheit jedes Kanals</translation>
</message>
<message id="Play the mix to see its channels.">
<source>Play the mix to see its channels.</source>
<translation>Den Mix spielen, um seine Kanäle zu sehen.</translation>
</message>
<message id="1: alike, 0: nothing in common, -1: they cancel each other when they are folded">
<source>1: alike, 0: nothing in common, -1: they cancel each other when they are folded</source>
<translation>1: gleich, 0: nichts gemeinsam, -1: sie löschen sich aus, wenn sie gefaltet werden</translation>
</message>
<message id="One channel of the pair">
<source>One channel of the pair</source>
<translation>Ein Kanal des Paars</translation>
</message>
<message id="The other channel of the pair">
<source>The other channel of the pair</source>
<translation>Der andere Kanal des Paars</translation>
</message>
<message id="Alike:">
<source>Alike:</source>
<translation>Ähnlich:</translation>
</message>
<message id="ITU-R BS.1770: surrounds weigh 1.5 dB more, the LFE is left out, ambisonics are decoded to 7.1">
<source>ITU-R BS.1770: surrounds weigh 1.5 dB more, the LFE is left out, ambisonics are decoded to 7.1</source>
<translation>ITU-R BS.1770: Surrounds wiegen 1,5 dB mehr, der LFE bleibt weg, Ambisonics werden auf 7.1 dekodiert</translation>
</message>
<message id="Energy: nothing heard yet.">
<source>Energy: nothing heard yet.</source>
<translation>Energie: noch nichts gehört.</translation>
</message>
<message id="The whole, in its own channels: %1 LUFS now, %2 over 3 s, %3 so far.">
<source>The whole, in its own channels: %1 LUFS now, %2 over 3 s, %3 so far.</source>
<translation>Das Ganze, in eigenen Kanälen: %1 LUFS jetzt, %2 über 3 s, %3 bisher.</translation>
</message>
<message id="Energy: silence.">
<source>Energy: silence.</source>
<translation>Energie: Stille.</translation>
</message>
<message id="Energy comes from %1%2, %3 % of it from all around.">
<source>Energy comes from %1%2, %3 % of it from all around.</source>
<translation>Die Energie kommt von %1%2, %3 % davon von ringsum.</translation>
</message>
<message id="the front">
<source>the front</source>
<translation>vorn</translation>
</message>
<message id="Lanes and energy on the sphere around the listener">
<source>Lanes and energy on the sphere around the listener</source>
<translation>Spuren und Energie auf der Kugel um den Hörer</translation>
</message>
<message id="The front in the middle, above on top, behind at both ends. Drag a lane&apos;s dot, or: left and right turn it (Shift: finely), up and down raise and lower it. The glow is where the mix&apos;s energy comes from while it plays">
<source>The front in the middle, above on top, behind at both ends. Drag a lane&apos;s dot, or: left and right turn it (Shift: finely), up and down raise and lower it. The glow is where the mix&apos;s energy comes from while it plays</source>
<translation>Vorn in der Mitte, oben oben, hinten an beiden Enden. Den Punkt einer Spur ziehen, oder: links und rechts drehen ihn (Shift: fein), auf und ab heben und senken ihn. Das Leuchten zeigt, woher die Energie des Mix kommt, während er spielt</translation>
</message>
<message id="above">
<source>above</source>
<translation>oben</translation>
</message>
<message id="below">
<source>below</source>
<translation>unten</translation>
</message>
<message id="Level of the microphone">
<source>Level of the microphone</source>
<translation>Pegel des Mikrofons</translation>
</message>
<message id="The highest level that came in, dBFS; it should stay below -6">
<source>The highest level that came in, dBFS; it should stay below -6</source>
<translation>Der höchste Pegel, der hereinkam, dBFS; er sollte unter -6 bleiben</translation>
</message>
<message id="Voice line">
<source>Voice line</source>
<translation>Sprachzeile</translation>
</message>
<message id="Record">
<source>Record</source>
<translation>Aufnehmen</translation>
</message>
<message id="Pre-roll">
<source>Pre-roll</source>
<translation>Vorlauf</translation>
</message>
<message id="So much is played before, to come in by; it is recorded, too, and can be drawn out of the clip">
<source>So much is played before, to come in by; it is recorded, too, and can be drawn out of the clip</source>
<translation>So viel spielt davor, um hineinzufinden; es wird mit aufgenommen und lässt sich aus dem Clip herausziehen</translation>
</message>
<message id="Pre-roll ">
<source>Pre-roll </source>
<translation>Vorlauf </translation>
</message>
<message id="Listen">
<source>Listen</source>
<translation>Mithören</translation>
</message>
<message id="Opens the microphone, so that its level is seen; it stays open after a take">
<source>Opens the microphone, so that its level is seen; it stays open after a take</source>
<translation>Öffnet das Mikrofon, damit sein Pegel zu sehen ist; nach einem Take bleibt es offen</translation>
</message>
<message id="Microphone…">
<source>Microphone…</source>
<translation>Mikrofon…</translation>
</message>
<message id="Which one, and how late it is">
<source>Which one, and how late it is</source>
<translation>Welches, und wie spät es ist</translation>
</message>
<message id="End the take">
<source>End the take</source>
<translation>Take beenden</translation>
</message>
<message id="Ends the take (Shift+R)">
<source>Ends the take (Shift+R)</source>
<translation>Beendet den Take (Shift+R)</translation>
</message>
<message id="JACK brings no voice: it runs at another rate than the recording, or not at all.">
<source>JACK brings no voice: it runs at another rate than the recording, or not at all.</source>
<translation>JACK bringt keine Stimme: es läuft mit einer anderen Rate als die Aufnahme, oder gar nicht.</translation>
</message>
<message id="That microphone cannot be opened at the recording&apos;s rate beside the sound output: choose another one.">
<source>That microphone cannot be opened at the recording&apos;s rate beside the sound output: choose another one.</source>
<translation>Dieses Mikrofon lässt sich mit der Rate der Aufnahme neben der Tonausgabe nicht öffnen: ein anderes wählen.</translation>
</message>
<message id="Measuring…">
<source>Measuring…</source>
<translation>Wird gemessen…</translation>
</message>
<message id="The playhead follows JACK&apos;s transport: let it lead, or stand alone, to record.">
<source>The playhead follows JACK&apos;s transport: let it lead, or stand alone, to record.</source>
<translation>Der Abspielkopf folgt dem Transport von JACK: ihn führen lassen oder allein stehen, um aufzunehmen.</translation>
</message>
<message id="Measuring how late the microphone is">
<source>Measuring how late the microphone is</source>
<translation>Messen, wie spät das Mikrofon ist</translation>
</message>
<message id="Keeping the take">
<source>Keeping the take</source>
<translation>Den Take sichern</translation>
</message>
<message id="It comes back %1 ms (%2 samples) later than the device says: taken off from now on.">
<source>It comes back %1 ms (%2 samples) later than the device says: taken off from now on.</source>
<translation>Es kommt %1 ms (%2 Samples) später zurück, als das Gerät sagt: von nun an abgezogen.</translation>
</message>
<message id="The recording was not heard in what came back: turn it up, or choose a place with more sound.">
<source>The recording was not heard in what came back: turn it up, or choose a place with more sound.</source>
<translation>Die Aufnahme war in dem, was zurückkam, nicht zu hören: lauter stellen oder eine Stelle mit mehr Klang wählen.</translation>
</message>
<message id="The take is kept as &quot;%1&quot; in %2: import it where it belongs.">
<source>The take is kept as &quot;%1&quot; in %2: import it where it belongs.</source>
<translation>Der Take liegt als „%1“ in %2: dort einlesen, wo er hingehört.</translation>
</message>
<message id="Record a line">
<source>Record a line</source>
<translation>Zeile aufnehmen</translation>
</message>
<message id="&quot;%1&quot; lies at %2 s and is %3 s long.">
<source>&quot;%1&quot; lies at %2 s and is %3 s long.</source>
<translation>„%1“ liegt bei %2 s und ist %3 s lang.</translation>
</message>
<message id=" %1 ms of it did not come in time and are silent: take it again with a longer block.">
<source> %1 ms of it did not come in time and are silent: take it again with a longer block.</source>
<translation> %1 ms davon kamen nicht rechtzeitig und sind still: mit einem längeren Block noch einmal aufnehmen.</translation>
</message>
<message id="Rivlen ended while a take was recorded: it is kept as &quot;%1&quot; in %2.">
<source>Rivlen ended while a take was recorded: it is kept as &quot;%1&quot; in %2.</source>
<translation>Rivlen endete, während ein Take aufgenommen wurde: er liegt als „%1“ in %2.</translation>
</message>
<message id="%1 s to go">
<source>%1 s to go</source>
<translation>noch %1 s</translation>
</message>
<message id="%1 of %2 s">
<source>%1 of %2 s</source>
<translation>%1 von %2 s</translation>
</message>
<message id="Records into the loop, with the pre-roll first, and ends by itself">
<source>Records into the loop, with the pre-roll first, and ends by itself</source>
<translation>Nimmt in die Schleife auf, mit dem Vorlauf davor, und endet von selbst</translation>
</message>
<message id="Records from the playhead on, with the pre-roll first, until it is ended (with a loop: into the loop)">
<source>Records from the playhead on, with the pre-roll first, until it is ended (with a loop: into the loop)</source>
<translation>Nimmt vom Abspielkopf an auf, mit dem Vorlauf davor, bis es beendet wird (mit einer Schleife: in die Schleife)</translation>
</message>
<message id=" (Shift+R). The take lies where it was spoken, on a lane of its own">
<source> (Shift+R). The take lies where it was spoken, on a lane of its own</source>
<translation> (Shift+R). Der Take liegt, wo er gesprochen wurde, auf einer eigenen Spur</translation>
</message>
<message id="Set a loop over the hole that is to be filled: drag over the picture.">
<source>Set a loop over the hole that is to be filled: drag over the picture.</source>
<translation>Eine Schleife über das Loch setzen, das gefüllt werden soll: über das Bild ziehen.</translation>
</message>
<message id="Choose the lane that is to be filled.">
<source>Choose the lane that is to be filled.</source>
<translation>Die Spur wählen, die gefüllt werden soll.</translation>
</message>
<message id="Looking for room tone">
<source>Looking for room tone</source>
<translation>Raumton suchen</translation>
</message>
<message id="No quiet place of a quarter of a second was found between the words to make room tone from.">
<source>No quiet place of a quarter of a second was found between the words to make room tone from.</source>
<translation>Zwischen den Wörtern fand sich keine ruhige Stelle von einer Viertelsekunde, um daraus Raumton zu machen.</translation>
</message>
<message id="Fill with room tone">
<source>Fill with room tone</source>
<translation>Mit Raumton füllen</translation>
</message>
<message id="Filled with room tone made from %1 s between the words.">
<source>Filled with room tone made from %1 s between the words.</source>
<translation>Gefüllt mit Raumton aus %1 s zwischen den Wörtern.</translation>
</message>
<message id="Set a loop over what is to be cut out: drag over the picture.">
<source>Set a loop over what is to be cut out: drag over the picture.</source>
<translation>Eine Schleife über das setzen, was herausgeschnitten werden soll: über das Bild ziehen.</translation>
</message>
<message id="Cut out">
<source>Cut out</source>
<translation>Herausschneiden</translation>
</message>
<message id="Choose the lane whose silences are to be found.">
<source>Choose the lane whose silences are to be found.</source>
<translation>Die Spur wählen, deren Pausen gesucht werden.</translation>
</message>
<message id="Looking for silences">
<source>Looking for silences</source>
<translation>Pausen suchen</translation>
</message>
<message id="No silence of that length on %1.">
<source>No silence of that length on %1.</source>
<translation>Keine Pause dieser Länge auf %1.</translation>
</message>
<message id="%1 silences on %2, %3 s together.">
<source>%1 silences on %2, %3 s together.</source>
<translation>%1 Pausen auf %2, zusammen %3 s.</translation>
</message>
<message id="Shorten silences">
<source>Shorten silences</source>
<translation>Pausen kürzen</translation>
</message>
<message id="Time was taken out: from the first shortened silence on, the sound no longer fits the picture. Undo brings it back.">
<source>Time was taken out: from the first shortened silence on, the sound no longer fits the picture. Undo brings it back.</source>
<translation>Es wurde Zeit herausgenommen: von der ersten gekürzten Pause an passt der Ton nicht mehr zum Bild. Ein Schritt zurück bringt sie wieder.</translation>
</message>
<message id="Fill silences">
<source>Fill silences</source>
<translation>Pausen füllen</translation>
</message>
<message id="Sounds and the mix">
<source>Sounds and the mix</source>
<translation>Klänge und der Mix</translation>
</message>
<message id="Import sounds…">
<source>Import sounds…</source>
<translation>Klänge einlesen…</translation>
</message>
<message id="Lays sound files on lanes of their own, at the playhead; they can be dropped on the lanes, too">
<source>Lays sound files on lanes of their own, at the playhead; they can be dropped on the lanes, too</source>
<translation>Legt Klangdateien auf eigene Spuren, an den Abspielkopf; sie lassen sich auch auf die Spuren ziehen</translation>
</message>
<message id="Replace the music…">
<source>Replace the music…</source>
<translation>Musik ersetzen…</translation>
</message>
<message id="Takes the old music out of the loop and lays a new cue in: trimmed, as loud, ducked (R)">
<source>Takes the old music out of the loop and lays a new cue in: trimmed, as loud, ducked (R)</source>
<translation>Nimmt die alte Musik aus der Schleife und setzt ein neues Stück ein: beschnitten, ebenso laut, abgesenkt (R)</translation>
</message>
<message id="Lay in a list…">
<source>Lay in a list…</source>
<translation>Liste einsetzen…</translation>
</message>
<message id="The tracks of an event list (OpenTimelineIO, AES31-3, CMX 3600) on lanes of their own, with their sounds; or markers (CSV, labels)">
<source>The tracks of an event list (OpenTimelineIO, AES31-3, CMX 3600) on lanes of their own, with their sounds; or markers (CSV, labels)</source>
<translation>Die Spuren einer Schnittliste (OpenTimelineIO, AES31-3, CMX 3600) auf eigene Spuren, mit ihren Klängen; oder Marken (CSV, Labels)</translation>
</message>
<message id="Lists (*.otio *.adl *.edl *.csv *.txt)">
<source>Lists (*.otio *.adl *.edl *.csv *.txt)</source>
<translation>Listen (*.otio *.adl *.edl *.csv *.txt)</translation>
</message>
<message id="Write the mix…">
<source>Write the mix…</source>
<translation>Mix schreiben…</translation>
</message>
<message id="Renders all lanes into a WAV file, 32-bit float, the same to the bit as it plays">
<source>Renders all lanes into a WAV file, 32-bit float, the same to the bit as it plays</source>
<translation>Rechnet alle Spuren in eine WAV-Datei, 32 Bit Gleitkomma, bis aufs Bit, wie sie spielen</translation>
</message>
<message id="Write the mix">
<source>Write the mix</source>
<translation>Mix schreiben</translation>
</message>
<message id="Sound (*.wav)">
<source>Sound (*.wav)</source>
<translation>Ton (*.wav)</translation>
</message>
<message id="Holes, bangs and stray words">
<source>Holes, bangs and stray words</source>
<translation>Löcher, Schläge und verirrte Wörter</translation>
</message>
<message id="In the loop, on the chosen lane.">
<source>In the loop, on the chosen lane.</source>
<translation>In der Schleife, auf der gewählten Spur.</translation>
</message>
<message id="Takes out what is there and fills it, with tone made from what is heard between the words; it never repeats (T)">
<source>Takes out what is there and fills it, with tone made from what is heard between the words; it never repeats (T)</source>
<translation>Nimmt heraus, was dort ist, und füllt es mit Ton aus dem, was zwischen den Wörtern zu hören ist; er wiederholt sich nie (T)</translation>
</message>
<message id="Takes out what is there and leaves a hole">
<source>Takes out what is there and leaves a hole</source>
<translation>Nimmt heraus, was dort ist, und lässt ein Loch</translation>
</message>
<message id="Silences">
<source>Silences</source>
<translation>Pausen</translation>
</message>
<message id="Below">
<source>Below</source>
<translation>Unter</translation>
</message>
<message id="What counts as silent on the lane, as it sounds">
<source>What counts as silent on the lane, as it sounds</source>
<translation>Was auf der Spur, wie sie klingt, als still gilt</translation>
</message>
<message id="For at least">
<source>For at least</source>
<translation>Mindestens</translation>
</message>
<message id="Shorter ones are the breath of speech">
<source>Shorter ones are the breath of speech</source>
<translation>Kürzere sind der Atem der Sprache</translation>
</message>
<message id="Shorten to">
<source>Shorten to</source>
<translation>Kürzen auf</translation>
</message>
<message id="So much of each is left">
<source>So much of each is left</source>
<translation>So viel bleibt von jeder</translation>
</message>
<message id="Find">
<source>Find</source>
<translation>Suchen</translation>
</message>
<message id="Marks the silences of the chosen lane">
<source>Marks the silences of the chosen lane</source>
<translation>Zeigt die Pausen der gewählten Spur</translation>
</message>
<message id="Shorten">
<source>Shorten</source>
<translation>Kürzen</translation>
</message>
<message id="Takes time out of all lanes; with a picture the sound then runs ahead of it">
<source>Takes time out of all lanes; with a picture the sound then runs ahead of it</source>
<translation>Nimmt Zeit aus allen Spuren; mit einem Bild läuft der Ton ihm dann voraus</translation>
</message>
<message id="Fill">
<source>Fill</source>
<translation>Füllen</translation>
</message>
<message id="Lays room tone under all of them, on a lane of its own">
<source>Lays room tone under all of them, on a lane of its own</source>
<translation>Legt Raumton unter alle, auf eine eigene Spur</translation>
</message>
<message id="None are marked.">
<source>None are marked.</source>
<translation>Keine gezeigt.</translation>
</message>
<message id="%1 marked, %2 s together.">
<source>%1 marked, %2 s together.</source>
<translation>%1 gezeigt, zusammen %2 s.</translation>
</message>
<message id=" items">
<source> items</source>
<translation> Einträge</translation>
</message>
<message id="Opening ">
<source>Opening </source>
<translation>Öffnen: </translation>
</message>
<message id="%1 of %2 files could not be read and are left out; the first: %3">
<source>%1 of %2 files could not be read and are left out; the first: %3</source>
<translation>%1 von %2 Dateien ließen sich nicht lesen und fehlen; die erste: %3</translation>
</message>
<message id="There are no recordings in that folder: choose one that holds audio or video files.">
<source>There are no recordings in that folder: choose one that holds audio or video files.</source>
<translation>In diesem Ordner sind keine Aufnahmen: einen mit Ton- oder Videodateien wählen.</translation>
</message>
<message id="Looking for faults in ">
<source>Looking for faults in </source>
<translation>Fehler suchen in </translation>
</message>
<message id="&quot;%1&quot; is damaged, see the faults at Intake: copy it again, or choose Go on at Split.">
<source>&quot;%1&quot; is damaged, see the faults at Intake: copy it again, or choose Go on at Split.</source>
<translation>„%1“ ist beschädigt, siehe die Fehler im Eingang: neu kopieren, oder unter Trennen „Weitermachen“ wählen.</translation>
</message>
<message id="Splitting ">
<source>Splitting </source>
<translation>Trennen: </translation>
</message>
<message id="Split %1 into its stems.">
<source>Split %1 into its stems.</source>
<translation>%1 ist in Stems getrennt.</translation>
</message>
<message id="There are no stems to export yet: split the reel first.">
<source>There are no stems to export yet: split the reel first.</source>
<translation>Noch gibt es keine Stems zum Ausgeben: zuerst die Rolle trennen.</translation>
</message>
<message id="Exporting ">
<source>Exporting </source>
<translation>Ausgeben: </translation>
</message>
<message id="Exported the stems of %1 to %2.">
<source>Exported the stems of %1 to %2.</source>
<translation>Die Stems von %1 stehen in %2.</translation>
</message>
<message id="Take the %1 apart">
<source>Take the %1 apart</source>
<translation>%1 zerlegen</translation>
</message>
<message id="Leave the %1 whole">
<source>Leave the %1 whole</source>
<translation>%1 ganz lassen</translation>
</message>
<message id="Taking the %1 of %2 apart">
<source>Taking the %1 of %2 apart</source>
<translation>%1 von %2 zerlegen</translation>
</message>
<message id="Took the %1 of %2 apart.">
<source>Took the %1 of %2 apart.</source>
<translation>%1 von %2 ist zerlegt.</translation>
</message>
<message id="Treating ">
<source>Treating </source>
<translation>Behandeln: </translation>
</message>
<message id="Treating stems of ">
<source>Treating stems of </source>
<translation>Stems behandeln: </translation>
</message>
<message id="Give treatments to reels">
<source>Give treatments to reels</source>
<translation>Rollen Behandlungen geben</translation>
</message>
<message id="How clearly the network gave each sound to one stem, along time.&#10;Where it is low, listen: the stems share sounds there.">
<source>How clearly the network gave each sound to one stem, along time.&#10;Where it is low, listen: the stems share sounds there.</source>
<translation>Wie klar das Netz jeden Klang einem Stem gab, über die Zeit.&#10;Wo es tief liegt, hinhören: dort teilen sich die Stems Klänge.</translation>
</message>
<message id="Confidence">
<source>Confidence</source>
<translation>Sicherheit</translation>
</message>
<message id="comes with the split">
<source>comes with the split</source>
<translation>kommt mit der Trennung</translation>
</message>
<message id="how clearly each sound went to one stem">
<source>how clearly each sound went to one stem</source>
<translation>wie klar jeder Klang an einen Stem ging</translation>
</message>
<message id="how clearly each sound went to one stem; J hears the %1 unsure moment">
<source>how clearly each sound went to one stem; J hears the %1 unsure moment</source>
<translation>wie klar jeder Klang an einen Stem ging; J hört den %1 unsicheren Augenblick</translation>
</message>
<message id="how clearly each sound went to one stem; J hears the next of %1 unsure moments">
<source>how clearly each sound went to one stem; J hears the next of %1 unsure moments</source>
<translation>wie klar jeder Klang an einen Stem ging; J hört den nächsten von %1 unsicheren Augenblicken</translation>
</message>
<message id="Checking a network">
<source>Checking a network</source>
<translation>Ein Netz prüfen</translation>
</message>
<message id="The network %1 passed its check and is installed.">
<source>The network %1 passed its check and is installed.</source>
<translation>Das Netz %1 hat seine Prüfung bestanden und ist installiert.</translation>
</message>
<message id="The network %1 is removed; stems made with it stay.">
<source>The network %1 is removed; stems made with it stay.</source>
<translation>Das Netz %1 ist entfernt; mit ihm gemachte Stems bleiben.</translation>
</message>
<message id="What alone is heard where">
<source>What alone is heard where</source>
<translation>Was wo allein zu hören ist</translation>
</message>
<message id="In the loop there is only">
<source>In the loop there is only</source>
<translation>In der Schleife gibt es nur</translation>
</message>
<message id="Says that nothing but %1 is heard in the loop (Shift+%2)">
<source>Says that nothing but %1 is heard in the loop (Shift+%2)</source>
<translation>Sagt, dass in der Schleife nichts als %1 zu hören ist (Shift+%2)</translation>
</message>
<message id="Marks">
<source>Marks</source>
<translation>Angaben</translation>
</message>
<message id="Marks, and what Rivlen proposes where the split was sure. N and Shift+N step through them.">
<source>Marks, and what Rivlen proposes where the split was sure. N and Shift+N step through them.</source>
<translation>Angaben, und was Rivlen vorschlägt, wo die Trennung sicher war. N und Shift+N gehen sie durch.</translation>
</message>
<message id="Hear">
<source>Hear</source>
<translation>Hören</translation>
</message>
<message id="Plays it in a loop (N: the next one)">
<source>Plays it in a loop (N: the next one)</source>
<translation>Spielt es in einer Schleife (N: das nächste)</translation>
</message>
<message id="Take it">
<source>Take it</source>
<translation>Nehmen</translation>
</message>
<message id="Makes the proposal a mark (K)">
<source>Makes the proposal a mark (K)</source>
<translation>Macht den Vorschlag zur Angabe (K)</translation>
</message>
<message id="Removes the mark, or dismisses the proposal (Shift+K)">
<source>Removes the mark, or dismisses the proposal (Shift+K)</source>
<translation>Entfernt die Angabe, oder tut den Vorschlag ab (Shift+K)</translation>
</message>
<message id="proposed">
<source>proposed</source>
<translation>vorgeschlagen</translation>
</message>
<message id="others %1 dB">
<source>others %1 dB</source>
<translation>andere %1 dB</translation>
</message>
<message id="only ">
<source>only </source>
<translation>nur </translation>
</message>
<message id="Only %1 is heard there; in the other stems it is %2 dB down">
<source>Only %1 is heard there; in the other stems it is %2 dB down</source>
<translation>Dort ist nur %1 zu hören; in den anderen Stems ist es %2 dB leiser</translation>
</message>
<message id="You know things about this recording that no network can know. Loop a span in which only one thing is heard - a pause with nothing but the engine, a word without the band - and say which. The split is measured there, and once it is made Rivlen proposes such spans where it was sure.">
<source>You know things about this recording that no network can know. Loop a span in which only one thing is heard - a pause with nothing but the engine, a word without the band - and say which. The split is measured there, and once it is made Rivlen proposes such spans where it was sure.</source>
<translation>Von dieser Aufnahme ist hier bekannt, was kein Netz wissen kann. Eine Schleife um ein Stück legen, in dem nur eines zu hören ist - eine Pause mit nichts als dem Motor, ein Wort ohne die Kapelle - und sagen, welches. Dort wird die Trennung gemessen, und ist sie gemacht, schlägt Rivlen solche Stücke vor, wo es sicher war.</translation>
</message>
<message id="Where you say that one thing is alone, it is in the other stems too: %1 dB down at worst%2.">
<source>Where you say that one thing is alone, it is in the other stems too: %1 dB down at worst%2.</source>
<translation>Wo nach den Angaben eines allein ist, ist es auch in den anderen Stems: schlimmstenfalls %1 dB leiser%2.</translation>
</message>
<message id=", which can be heard. Compare another quality or network">
<source>, which can be heard. Compare another quality or network</source>
<translation>, was zu hören ist. Eine andere Güte oder ein anderes Netz vergleichen</translation>
</message>
<message id="The split will be measured where one thing is alone.">
<source>The split will be measured where one thing is alone.</source>
<translation>Die Trennung wird gemessen, wo eines allein ist.</translation>
</message>
<message id="Proposals are dashed: hear them before you take them.">
<source>Proposals are dashed: hear them before you take them.</source>
<translation>Vorschläge sind gestrichelt: hören, bevor sie genommen werden.</translation>
</message>
<message id="Set a loop over the span first: drag over the Current, or press [ and ] while it plays.">
<source>Set a loop over the span first: drag over the Current, or press [ and ] while it plays.</source>
<translation>Zuerst eine Schleife um das Stück setzen: über das Strombild ziehen, oder [ und ] drücken, während es spielt.</translation>
</message>
<message id="The loop is too short: what is alone in less than 0.3 s teaches nothing.">
<source>The loop is too short: what is alone in less than 0.3 s teaches nothing.</source>
<translation>Die Schleife ist zu kurz: was in weniger als 0,3 s allein ist, lehrt nichts.</translation>
</message>
<message id="Mark %1 alone">
<source>Mark %1 alone</source>
<translation>%1 allein angeben</translation>
</message>
<message id="Dismiss a proposed mark">
<source>Dismiss a proposed mark</source>
<translation>Vorgeschlagene Angabe abtun</translation>
</message>
<message id="Remove mark">
<source>Remove mark</source>
<translation>Angabe entfernen</translation>
</message>
<message id="Move mark">
<source>Move mark</source>
<translation>Angabe verschieben</translation>
</message>
<message id="What alone is heard where. Set a loop and press Shift+D, Shift+M or Shift+A, or the right button on the Current.&#10;Drag the ends of a mark to move them.">
<source>What alone is heard where. Set a loop and press Shift+D, Shift+M or Shift+A, or the right button on the Current.&#10;Drag the ends of a mark to move them.</source>
<translation>Was wo allein zu hören ist. Eine Schleife setzen und Shift+D, Shift+M oder Shift+A drücken, oder die rechte Taste auf dem Strombild.&#10;Die Enden einer Angabe ziehen, um sie zu verschieben.</translation>
</message>
<message id="loop a span in which only one thing is heard: Shift+D, Shift+M or Shift+A">
<source>loop a span in which only one thing is heard: Shift+D, Shift+M or Shift+A</source>
<translation>eine Schleife um ein Stück legen, in dem nur eines zu hören ist: Shift+D, Shift+M oder Shift+A</translation>
</message>
<message id="what alone is heard where">
<source>what alone is heard where</source>
<translation>was wo allein zu hören ist</translation>
</message>
<message id="proposed: only ">
<source>proposed: only </source>
<translation>vorgeschlagen: nur </translation>
</message>
<message id=". K takes it, Shift+K dismisses it">
<source>. K takes it, Shift+K dismisses it</source>
<translation>. K nimmt es, Shift+K tut es ab</translation>
</message>
<message id=". Shift+K removes it">
<source>. Shift+K removes it</source>
<translation>. Shift+K entfernt es</translation>
</message>
<message id="%1 recordings">
<source>%1 recordings</source>
<translation>%1 Aufnahmen</translation>
</message>
<message id="made worse in">
<source>made worse in</source>
<translation>verschlechtert in</translation>
</message>
<message id="%1 of %2">
<source>%1 of %2</source>
<translation>%1 von %2</translation>
</message>
<message id="speakers, music, places and rooms that had no part in its making">
<source>speakers, music, places and rooms that had no part in its making</source>
<translation>Sprecher, Musik, Orte und Räume, die an ihm nicht beteiligt waren</translation>
</message>
<message id="recordings that it never saw">
<source>recordings that it never saw</source>
<translation>Aufnahmen, die es nie sah</translation>
</message>
<message id="&lt;p style=&apos;margin:2px 0&apos;&gt;Speech intelligibility (ESTOI) %1 above the mix&apos;s.&lt;/p&gt;">
<source>&lt;p style=&apos;margin:2px 0&apos;&gt;Speech intelligibility (ESTOI) %1 above the mix&apos;s.&lt;/p&gt;</source>
<translation>&lt;p style=&apos;margin:2px 0&apos;&gt;Sprachverständlichkeit (ESTOI) %1 über der Mischung.&lt;/p&gt;</translation>
</message>
<message id="&lt;p style=&apos;margin:2px 0&apos;&gt;Speech intelligibility (ESTOI) %1, of the mix %2.&lt;/p&gt;">
<source>&lt;p style=&apos;margin:2px 0&apos;&gt;Speech intelligibility (ESTOI) %1, of the mix %2.&lt;/p&gt;</source>
<translation>&lt;p style=&apos;margin:2px 0&apos;&gt;Sprachverständlichkeit (ESTOI) %1, der Mischung %2.&lt;/p&gt;</translation>
</message>
<message id="Measured quality">
<source>Measured quality</source>
<translation>Gemessene Güte</translation>
</message>
<message id="only this is there">
<source>only this is there</source>
<translation>nur das ist da</translation>
</message>
<message id="Cross-talk">
<source>Cross-talk</source>
<translation>Übersprechen</translation>
</message>
<message id="&lt;p style=&apos;margin:0&apos;&gt;The card states it in a way that is not understood here.&lt;/p&gt;">
<source>&lt;p style=&apos;margin:0&apos;&gt;The card states it in a way that is not understood here.&lt;/p&gt;</source>
<translation>&lt;p style=&apos;margin:0&apos;&gt;Der Steckbrief sagt es auf eine Weise, die hier nicht verstanden wird.&lt;/p&gt;</translation>
</message>
<message id="%1 %2x real time">
<source>%1 %2x real time</source>
<translation>%1 %2-fache Echtzeit</translation>
</message>
<message id="Speed">
<source>Speed</source>
<translation>Tempo</translation>
</message>
<message id=" for stereo on two cores&lt;/p&gt;">
<source> for stereo on two cores&lt;/p&gt;</source>
<translation> für Stereo auf zwei Kernen&lt;/p&gt;</translation>
</message>
<message id="Trained with">
<source>Trained with</source>
<translation>Gelernt an</translation>
</message>
<message id="The dialogue comes out %1 dB cleaner, the music %2 dB, the ambience %3 dB (mean over stereo mixes of voices, music and places that it never heard). ">
<source>The dialogue comes out %1 dB cleaner, the music %2 dB, the ambience %3 dB (mean over stereo mixes of voices, music and places that it never heard). </source>
<translation>Der Dialog kommt %1 dB sauberer heraus, die Musik %2 dB, die Atmo %3 dB (Mittel über Stereomischungen von Stimmen, Musik und Orten, die es nie hörte). </translation>
</message>
<message id="An hour takes about %1 on two cores.">
<source>An hour takes about %1 on two cores.</source>
<translation>Eine Stunde dauert etwa %1 auf zwei Kernen.</translation>
</message>
<message id="%1 min">
<source>%1 min</source>
<translation>%1 min</translation>
</message>
<message id="Its card states no measured quality.">
<source>Its card states no measured quality.</source>
<translation>Sein Steckbrief nennt keine gemessene Güte.</translation>
</message>
<message id="came with Rivlen">
<source>came with Rivlen</source>
<translation>kam mit Rivlen</translation>
</message>
<message id="installed by you">
<source>installed by you</source>
<translation>selbst installiert</translation>
</message>
<message id="Stems">
<source>Stems</source>
<translation>Stems</translation>
</message>
<message id="&lt;p style=&apos;margin:0&apos;&gt;%1; %2 Hz, %3&lt;/p&gt;">
<source>&lt;p style=&apos;margin:0&apos;&gt;%1; %2 Hz, %3&lt;/p&gt;</source>
<translation>&lt;p style=&apos;margin:0&apos;&gt;%1; %2 Hz, %3&lt;/p&gt;</translation>
</message>
<message id="mono and stereo">
<source>mono and stereo</source>
<translation>Mono und Stereo</translation>
</message>
<message id="Licence and date">
<source>Licence and date</source>
<translation>Lizenz und Datum</translation>
</message>
<message id="Only on the command line">
<source>Only on the command line</source>
<translation>Nur auf der Befehlszeile</translation>
</message>
<message id="&lt;p style=&apos;margin:0&apos;&gt;Its stems are not shown as dialogue, music and ambience: its card can say where each belongs (&quot;shown&quot;).&lt;/p&gt;">
<source>&lt;p style=&apos;margin:0&apos;&gt;Its stems are not shown as dialogue, music and ambience: its card can say where each belongs (&quot;shown&quot;).&lt;/p&gt;</source>
<translation>&lt;p style=&apos;margin:0&apos;&gt;Seine Stems sind nicht als Dialog, Musik und Atmo zu sehen: sein Steckbrief kann sagen, wohin jeder gehört (&quot;shown&quot;).&lt;/p&gt;</translation>
</message>
<message id="Networks">
<source>Networks</source>
<translation>Netze</translation>
</message>
<message id="Install a network…">
<source>Install a network…</source>
<translation>Netz installieren…</translation>
</message>
<message id="Choose the card (a .json file) of a network; its module lies beside it">
<source>Choose the card (a .json file) of a network; its module lies beside it</source>
<translation>Den Steckbrief (eine .json-Datei) eines Netzes wählen; sein Modul liegt daneben</translation>
</message>
<message id="Removes the selected network; the ones that came with Rivlen stay">
<source>Removes the selected network; the ones that came with Rivlen stay</source>
<translation>Entfernt das gewählte Netz; die mit Rivlen kamen, bleiben</translation>
</message>
<message id="Install a network">
<source>Install a network</source>
<translation>Netz installieren</translation>
</message>
<message id="Network cards (*.json)">
<source>Network cards (*.json)</source>
<translation>Steckbriefe von Netzen (*.json)</translation>
</message>
<message id="Trying the network in a process of its own…">
<source>Trying the network in a process of its own…</source>
<translation>Das Netz wird in einem eigenen Prozess versucht…</translation>
</message>
<message id="Of what the best possible mask gains, on sounds that it never heard: ">
<source>Of what the best possible mask gains, on sounds that it never heard: </source>
<translation>Von dem, was die bestmögliche Maske gewinnt, an Klängen, die es nie hörte: </translation>
</message>
<message id="Further apart">
<source>Further apart</source>
<translation>Weiter zerlegen</translation>
</message>
<message id="A stem can be taken into parts that sum to it: lanes of their own at Rebuild, files of their own at Dispatch.">
<source>A stem can be taken into parts that sum to it: lanes of their own at Rebuild, files of their own at Dispatch.</source>
<translation>Ein Stem lässt sich in Teile zerlegen, die zusammen er sind: eigene Spuren im Aufbau, eigene Dateien im Versand.</translation>
</message>
<message id="Takes the %1 into %2">
<source>Takes the %1 into %2</source>
<translation>Zerlegt %1 in %2</translation>
</message>
<message id="Into %1.">
<source>Into %1.</source>
<translation>In %1.</translation>
</message>
<message id="Plays the %1 alone; again: the reel as it is">
<source>Plays the %1 alone; again: the reel as it is</source>
<translation>Spielt nur %1; noch einmal: die Rolle, wie sie ist</translation>
</message>
<message id="Hear the %1">
<source>Hear the %1</source>
<translation>%1 hören</translation>
</message>
<message id="Take apart">
<source>Take apart</source>
<translation>Zerlegen</translation>
</message>
<message id="At work.">
<source>At work.</source>
<translation>In Arbeit.</translation>
</message>
<message id="Not taken apart yet.">
<source>Not taken apart yet.</source>
<translation>Noch nicht zerlegt.</translation>
</message>
<message id="Taken apart once the reel is split.">
<source>Taken apart once the reel is split.</source>
<translation>Wird zerlegt, sobald die Rolle getrennt ist.</translation>
</message>
<message id="Learn this scene">
<source>Learn this scene</source>
<translation>Diese Szene lernen</translation>
</message>
<message id="How far the scene is learned">
<source>How far the scene is learned</source>
<translation>Wie weit die Szene gelernt ist</translation>
</message>
<message id="Learn it">
<source>Learn it</source>
<translation>Lernen</translation>
</message>
<message id="Adapts the network to this recording, in a minute or two, beside what you do (Shift+L)">
<source>Adapts the network to this recording, in a minute or two, beside what you do (Shift+L)</source>
<translation>Passt das Netz an diese Aufnahme an, in ein, zwei Minuten, neben der Arbeit (Shift+L)</translation>
</message>
<message id="Without it">
<source>Without it</source>
<translation>Ohne sie</translation>
</message>
<message id="Goes back to the network as it came">
<source>Goes back to the network as it came</source>
<translation>Geht zum Netz zurück, wie es kam</translation>
</message>
<message id="Use in the group">
<source>Use in the group</source>
<translation>In der Gruppe nutzen</translation>
</message>
<message id="The other reels of this group use it too">
<source>The other reels of this group use it too</source>
<translation>Auch die anderen Rollen dieser Gruppe nutzen sie</translation>
</message>
<message id="Learning; you can go on working.">
<source>Learning; you can go on working.</source>
<translation>Es lernt; die Arbeit kann weitergehen.</translation>
</message>
<message id="The network can learn from %1 how this place sounds. It is kept only where it proves better on a part that it did not learn from.">
<source>The network can learn from %1 how this place sounds. It is kept only where it proves better on a part that it did not learn from.</source>
<translation>Das Netz kann aus %1 lernen, wie dieser Ort klingt. Behalten wird es nur, wo es sich an einem Teil als besser erweist, von dem es nicht lernte.</translation>
</message>
<message id="the proposed spans">
<source>the proposed spans</source>
<translation>den vorgeschlagenen Stücken</translation>
</message>
<message id="the marked spans">
<source>the marked spans</source>
<translation>den angegebenen Stücken</translation>
</message>
<message id="Mark a span first, or split the reel: then Rivlen proposes some.">
<source>Mark a span first, or split the reel: then Rivlen proposes some.</source>
<translation>Zuerst ein Stück angeben oder die Rolle trennen: dann schlägt Rivlen welche vor.</translation>
</message>
<message id="Mark a second at least: five are better.">
<source>Mark a second at least: five are better.</source>
<translation>Mindestens eine Sekunde angeben: fünf sind besser.</translation>
</message>
<message id="Learning the scene of ">
<source>Learning the scene of </source>
<translation>Die Szene lernen: </translation>
</message>
<message id="Nothing was kept: ">
<source>Nothing was kept: </source>
<translation>Nichts wurde behalten: </translation>
</message>
<message id="Learned: %1 on the part that was held back. Split again to use it.">
<source>Learned: %1 on the part that was held back. Split again to use it.</source>
<translation>Gelernt: %1 an dem Teil, der zurückgehalten wurde. Noch einmal trennen, um es zu nutzen.</translation>
</message>
<message id="Uses what was learned from &quot;%1&quot;: %2.">
<source>Uses what was learned from &quot;%1&quot;: %2.</source>
<translation>Nutzt, was von „%1“ gelernt wurde: %2.</translation>
</message>
<message id="Go on without the scene">
<source>Go on without the scene</source>
<translation>Ohne die Szene weiter</translation>
</message>
<message id="Use a scene">
<source>Use a scene</source>
<translation>Eine Szene nutzen</translation>
</message>
<message id="Use the scene in the group">
<source>Use the scene in the group</source>
<translation>Die Szene in der Gruppe nutzen</translation>
</message>
<message id="Done. ">
<source>Done. </source>
<translation>Fertig. </translation>
</message>
<message id="The stems sum to the source exactly. ">
<source>The stems sum to the source exactly. </source>
<translation>Die Stems sind zusammen genau die Quelle. </translation>
</message>
<message id="Residual: the stems sum to the source within %1 dBFS. ">
<source>Residual: the stems sum to the source within %1 dBFS. </source>
<translation>Rest: die Stems sind zusammen die Quelle bis auf %1 dBFS. </translation>
</message>
<message id="Confidence %1 % on average. ">
<source>Confidence %1 % on average. </source>
<translation>Sicherheit im Mittel %1 %. </translation>
</message>
<message id="It took 1/%1 of its length. ">
<source>It took 1/%1 of its length. </source>
<translation>Es dauerte 1/%1 ihrer Länge. </translation>
</message>
<message id="It took %1 times its length. ">
<source>It took %1 times its length. </source>
<translation>Es dauerte %1-mal so lang wie sie. </translation>
</message>
<message id="Hear the stems with 3, 4 and 5, then weigh the strength.">
<source>Hear the stems with 3, 4 and 5, then weigh the strength.</source>
<translation>Die Stems mit 3, 4 und 5 hören, dann die Stärke abwägen.</translation>
</message>
<message id="Network">
<source>Network</source>
<translation>Netz</translation>
</message>
<message id="Networks…">
<source>Networks…</source>
<translation>Netze…</translation>
</message>
<message id="All networks with their cards; install and remove them">
<source>All networks with their cards; install and remove them</source>
<translation>Alle Netze mit ihren Steckbriefen; installieren und entfernen</translation>
</message>
<message id="Quality">
<source>Quality</source>
<translation>Güte</translation>
</message>
<message id="Fine: for delivery">
<source>Fine: for delivery</source>
<translation>Fein: zum Ausliefern</translation>
</message>
<message id="Quick: for a first listen">
<source>Quick: for a first listen</source>
<translation>Schnell: zum ersten Hören</translation>
</message>
<message id="Split this reel">
<source>Split this reel</source>
<translation>Diese Rolle trennen</translation>
</message>
<message id="Separates the whole reel on this machine (Ctrl+Return); you can go on working">
<source>Separates the whole reel on this machine (Ctrl+Return); you can go on working</source>
<translation>Trennt die ganze Rolle auf diesem Rechner (Ctrl+Return); die Arbeit kann weitergehen</translation>
</message>
<message id="Go on: silence where it is damaged">
<source>Go on: silence where it is damaged</source>
<translation>Weitermachen: Stille, wo sie beschädigt ist</translation>
</message>
<message id="Splits the reel although its file cannot be decoded everywhere; nothing moves from its place">
<source>Splits the reel although its file cannot be decoded everywhere; nothing moves from its place</source>
<translation>Trennt die Rolle, obwohl ihre Datei sich nicht überall dekodieren lässt; nichts verlässt seinen Platz</translation>
</message>
<message id="Go on where it is damaged">
<source>Go on where it is damaged</source>
<translation>Weitermachen, wo sie beschädigt ist</translation>
</message>
<message id="Choose network">
<source>Choose network</source>
<translation>Netz wählen</translation>
</message>
<message id="Choose quality">
<source>Choose quality</source>
<translation>Güte wählen</translation>
</message>
<message id="Cancel the split">
<source>Cancel the split</source>
<translation>Trennen abbrechen</translation>
</message>
<message id="Split again">
<source>Split again</source>
<translation>Noch einmal trennen</translation>
</message>
<message id="No network is installed: restore the networks folder that came with Rivlen.">
<source>No network is installed: restore the networks folder that came with Rivlen.</source>
<translation>Kein Netz ist installiert: den Ordner der Netze wiederherstellen, der mit Rivlen kam.</translation>
</message>
<message id="The file is damaged, see the faults at Intake: copy it again, or go on.">
<source>The file is damaged, see the faults at Intake: copy it again, or go on.</source>
<translation>Die Datei ist beschädigt, siehe die Fehler im Eingang: neu kopieren, oder weitermachen.</translation>
</message>
<message id="What is done already can be heard.">
<source>What is done already can be heard.</source>
<translation>Was schon fertig ist, ist zu hören.</translation>
</message>
<message id="Not split yet with this network and quality.">
<source>Not split yet with this network and quality.</source>
<translation>Mit diesem Netz und dieser Güte noch nicht getrennt.</translation>
</message>
<message id=", learned: ">
<source>, learned: </source>
<translation>, gelernt: </translation>
</message>
<message id="at Split: only Dialogue, Music, Ambience is heard in the loop">
<source>at Split: only Dialogue, Music, Ambience is heard in the loop</source>
<translation>unter Trennen: in der Schleife ist nur Dialog, Musik, Atmo zu hören</translation>
</message>
<message id="at Split: hear the next or the last mark, or proposal">
<source>at Split: hear the next or the last mark, or proposal</source>
<translation>unter Trennen: die nächste oder letzte Angabe, oder den Vorschlag, hören</translation>
</message>
<message id="at Split: take the proposed mark; remove a mark or dismiss a proposal">
<source>at Split: take the proposed mark; remove a mark or dismiss a proposal</source>
<translation>unter Trennen: den Vorschlag nehmen; eine Angabe entfernen oder einen Vorschlag abtun</translation>
</message>
<message id="at Split: hear the next or the last moment that the network was unsure of">
<source>at Split: hear the next or the last moment that the network was unsure of</source>
<translation>unter Trennen: den nächsten oder letzten Augenblick hören, in dem das Netz unsicher war</translation>
</message>
<message id="at Split: learn the scene from its marks, or stop learning">
<source>at Split: learn the scene from its marks, or stop learning</source>
<translation>unter Trennen: die Szene aus ihren Angaben lernen, oder das Lernen anhalten</translation>
</message>
<message id="Which network, and how well did it go?">
<source>Which network, and how well did it go?</source>
<translation>Welches Netz, und wie gut ging es?</translation>
</message>
<message id="Try">
<source>Try</source>
<translation>Versuch</translation>
</message>
<message id="What alone is heard where: what you know of this recording and no network can">
<source>What alone is heard where: what you know of this recording and no network can</source>
<translation>Was wo allein zu hören ist: was hier von dieser Aufnahme bekannt ist und kein Netz wissen kann</translation>
</message>
<message id="Stems taken further apart: the music into instruments, the ambience into events and bed">
<source>Stems taken further apart: the music into instruments, the ambience into events and bed</source>
<translation>Stems weiter zerlegt: die Musik in Instrumente, die Atmo in Ereignisse und Grund</translation>
</message>
<message id="The loop separated at once with other networks and qualities, to be heard side by side">
<source>The loop separated at once with other networks and qualities, to be heard side by side</source>
<translation>Die Schleife sofort mit anderen Netzen und Güten getrennt, zum Vergleichen</translation>
</message>
<message id="Marks (%1)">
<source>Marks (%1)</source>
<translation>Angaben (%1)</translation>
</message>
<message id="Each stem by itself, as loud as it is; what is done of a split already can be heard (3, 4, 5)">
<source>Each stem by itself, as loud as it is; what is done of a split already can be heard (3, 4, 5)</source>
<translation>Jeder Stem für sich, so laut er ist; was von einer Trennung schon fertig ist, ist zu hören (3, 4, 5)</translation>
</message>
<message id="%1 Hz">
<source>%1 Hz</source>
<translation>%1 Hz</translation>
</message>
<message id="Reading the recording…">
<source>Reading the recording…</source>
<translation>Die Aufnahme wird gelesen…</translation>
</message>
<message id="One stream: not split yet">
<source>One stream: not split yet</source>
<translation>Ein Strom: noch nicht getrennt</translation>
</message>
<message id="Loudness (BS.1770) and true peak of what is heard, how its sides agree (right: in mono nothing is lost), and its spectrum.&#10;A click begins the integrated loudness and the peak anew.">
<source>Loudness (BS.1770) and true peak of what is heard, how its sides agree (right: in mono nothing is lost), and its spectrum.&#10;A click begins the integrated loudness and the peak anew.</source>
<translation>Lautheit (BS.1770) und True Peak des Gehörten, wie seine Seiten übereinstimmen (rechts: in Mono geht nichts verloren), und sein Spektrum.&#10;Ein Klick beginnt die integrierte Lautheit und die Spitze neu.</translation>
</message>
<message id="Momentary">
<source>Momentary</source>
<translation>Momentan</translation>
</message>
<message id="Short-term">
<source>Short-term</source>
<translation>Kurzzeit</translation>
</message>
<message id="Integrated">
<source>Integrated</source>
<translation>Integriert</translation>
</message>
<message id="phase">
<source>phase</source>
<translation>Phase</translation>
</message>
<message id="100 Hz">
<source>100 Hz</source>
<translation>100 Hz</translation>
</message>
<message id="Timecode of the frame that is shown. Ctrl+Left and Ctrl+Right step by a frame">
<source>Timecode of the frame that is shown. Ctrl+Left and Ctrl+Right step by a frame</source>
<translation>Timecode des gezeigten Bildes. Ctrl+Left und Ctrl+Right gehen um ein Bild</translation>
</message>
<message id="A frame back">
<source>A frame back</source>
<translation>Ein Bild zurück</translation>
</message>
<message id="A frame on">
<source>A frame on</source>
<translation>Ein Bild weiter</translation>
</message>
<message id="This reel has no picture.">
<source>This reel has no picture.</source>
<translation>Diese Rolle hat kein Bild.</translation>
</message>
<message id="The picture over time; the picture window shows the exact frame">
<source>The picture over time; the picture window shows the exact frame</source>
<translation>Das Bild über die Zeit; das Bildfenster zeigt das genaue Bild</translation>
</message>
<message id="empty">
<source>empty</source>
<translation>leer</translation>
</message>
<message id="at %1, %2 to %3 in sight">
<source>at %1, %2 to %3 in sight</source>
<translation>bei %1, %2 bis %3 zu sehen</translation>
</message>
<message id="Set loop">
<source>Set loop</source>
<translation>Schleife setzen</translation>
</message>
<message id="Source">
<source>Source</source>
<translation>Quelle</translation>
</message>
<message id="Result">
<source>Result</source>
<translation>Ergebnis</translation>
</message>
<message id="Dialogue">
<source>Dialogue</source>
<translation>Dialog</translation>
</message>
<message id="Music">
<source>Music</source>
<translation>Musik</translation>
</message>
<message id="Ambience">
<source>Ambience</source>
<translation>Atmo</translation>
</message>
<message id="Leftovers">
<source>Leftovers</source>
<translation>Reste</translation>
</message>
<message id="Recorded">
<source>Recorded</source>
<translation>Aufnahme</translation>
</message>
<message id="Removed">
<source>Removed</source>
<translation>Entfernt</translation>
</message>
<message id="Peak level of what is heard, dBFS. It should never reach 0.">
<source>Peak level of what is heard, dBFS. It should never reach 0.</source>
<translation>Spitzenpegel des Gehörten, dBFS. Er sollte nie 0 erreichen.</translation>
</message>
<message id="Play">
<source>Play</source>
<translation>Start</translation>
</message>
<message id="Play or stop (Space)">
<source>Play or stop (Space)</source>
<translation>Start oder Halt (Leertaste)</translation>
</message>
<message id="Takes the loop away. Set one by dragging over the picture, or with [ and ] at the playhead">
<source>Takes the loop away. Set one by dragging over the picture, or with [ and ] at the playhead</source>
<translation>Nimmt die Schleife weg. Gesetzt wird sie durch Ziehen über das Bild, oder mit [ und ] am Abspielkopf</translation>
</message>
<message id="The recording as it came in (1). Hold O to hear it while the key is down">
<source>The recording as it came in (1). Hold O to hear it while the key is down</source>
<translation>Die Aufnahme, wie sie hereinkam (1). O halten, um sie zu hören, solange die Taste unten ist</translation>
</message>
<message id="The dialogue at the present strength (2)">
<source>The dialogue at the present strength (2)</source>
<translation>Der Dialog mit der jetzigen Stärke (2)</translation>
</message>
<message id="This stem as the network gave it (%1)">
<source>This stem as the network gave it (%1)</source>
<translation>Dieser Stem, wie das Netz ihn gab (%1)</translation>
</message>
<message id="Everything the present strength takes away (6): if you hear the voice in here, it is too much">
<source>Everything the present strength takes away (6): if you hear the voice in here, it is too much</source>
<translation>Alles, was die jetzige Stärke wegnimmt (6): ist hier die Stimme zu hören, ist es zu viel</translation>
</message>
<message id="The recording as it came in, before its treatments (7)">
<source>The recording as it came in, before its treatments (7)</source>
<translation>Die Aufnahme, wie sie hereinkam, vor ihren Behandlungen (7)</translation>
</message>
<message id="What the treatments took away (8): it should hold nothing that you want">
<source>What the treatments took away (8): it should hold nothing that you want</source>
<translation>Was die Behandlungen wegnahmen (8): darin sollte nichts sein, was bleiben soll</translation>
</message>
<message id="Level match">
<source>Level match</source>
<translation>Gleich laut</translation>
</message>
<message id="Plays everything at the source&apos;s loudness (BS.1770), since louder sounds better (M)">
<source>Plays everything at the source&apos;s loudness (BS.1770), since louder sounds better (M)</source>
<translation>Spielt alles mit der Lautheit der Quelle (BS.1770), denn lauter klingt besser (M)</translation>
</message>
<message id="9 Deliverable">
<source>9 Deliverable</source>
<translation>9 Lieferung</translation>
</message>
<message id="9 Mix">
<source>9 Mix</source>
<translation>9 Mix</translation>
</message>
<message id="The chosen file as it was delivered, or what it will hold (9)">
<source>The chosen file as it was delivered, or what it will hold (9)</source>
<translation>Die gewählte Datei, wie sie ausgeliefert wurde, oder was sie enthalten wird (9)</translation>
</message>
<message id="The rebuild: all lanes, mixed (9)">
<source>The rebuild: all lanes, mixed (9)</source>
<translation>Der Aufbau: alle Spuren, gemischt (9)</translation>
</message>
<message id=" from the start">
<source> from the start</source>
<translation> vom Anfang</translation>
</message>
<message id="full height %1 dBFS">
<source>full height %1 dBFS</source>
<translation>volle Höhe %1 dBFS</translation>
</message>
<message id="Band bias">
<source>Band bias</source>
<translation>Bandneigung</translation>
</message>
<message id="&#10;Drag a point; or choose one with left and right and move it with up and down. Delete brings it back to 0.&#10;At the bottom a region is not isolated at all.">
<source>&#10;Drag a point; or choose one with left and right and move it with up and down. Delete brings it back to 0.&#10;At the bottom a region is not isolated at all.</source>
<translation>&#10;Einen Punkt ziehen; oder einen mit links und rechts wählen und mit auf und ab bewegen. Entf bringt ihn auf 0 zurück.&#10;Ganz unten wird ein Bereich gar nicht freigestellt.</translation>
</message>
<message id="stronger">
<source>stronger</source>
<translation>stärker</translation>
</message>
<message id="weaker">
<source>weaker</source>
<translation>schwächer</translation>
</message>
<message id="%1 Hz: bypassed">
<source>%1 Hz: bypassed</source>
<translation>%1 Hz: umgangen</translation>
</message>
<message id="%1 Hz: %2%3">
<source>%1 Hz: %2%3</source>
<translation>%1 Hz: %2%3</translation>
</message>
<message id="Set Band bias">
<source>Set Band bias</source>
<translation>Bandneigung setzen</translation>
</message>
<message id="Switch band on">
<source>Switch band on</source>
<translation>Band einschalten</translation>
</message>
<message id="Bypass band">
<source>Bypass band</source>
<translation>Band umgehen</translation>
</message>
<message id="Candidates">
<source>Candidates</source>
<translation>Kandidaten</translation>
</message>
<message id="Prefer this">
<source>Prefer this</source>
<translation>Diesen vorziehen</translation>
</message>
<message id="Notes that what is heard is the best of this round; the labels are shuffled for the next (P)">
<source>Notes that what is heard is the best of this round; the labels are shuffled for the next (P)</source>
<translation>Merkt, dass das Gehörte das Beste dieser Runde ist; für die nächste werden die Zeichen gemischt (P)</translation>
</message>
<message id="Keep the present setting here">
<source>Keep the present setting here</source>
<translation>Jetzige Einstellung hier merken</translation>
</message>
<message id="Name…">
<source>Name…</source>
<translation>Name…</translation>
</message>
<message id="Name candidate ">
<source>Name candidate </source>
<translation>Kandidat benennen: </translation>
</message>
<message id="Copy to">
<source>Copy to</source>
<translation>Kopieren nach</translation>
</message>
<message id="The whole reel">
<source>The whole reel</source>
<translation>Die ganze Rolle</translation>
</message>
<message id="Region %1">
<source>Region %1</source>
<translation>Bereich %1</translation>
</message>
<message id="Reels…">
<source>Reels…</source>
<translation>Rollen…</translation>
</message>
<message id="Keep as preset…">
<source>Keep as preset…</source>
<translation>Als Vorgabe merken…</translation>
</message>
<message id="Drop">
<source>Drop</source>
<translation>Weglegen</translation>
</message>
<message id="Hear number %1 of this round (%2)">
<source>Hear number %1 of this round (%2)</source>
<translation>Nummer %1 dieser Runde hören (%2)</translation>
</message>
<message id="%1&#10;Press to use it (%2), Shift+%2 keeps the present setting here, right click for more">
<source>%1&#10;Press to use it (%2), Shift+%2 keeps the present setting here, right click for more</source>
<translation>%1&#10;Drücken nimmt ihn (%2), Shift+%2 merkt hier die jetzige Einstellung, rechte Taste für mehr</translation>
</message>
<message id="Empty: press to keep the present setting here (Shift+%1)">
<source>Empty: press to keep the present setting here (Shift+%1)</source>
<translation>Leer: drücken, um hier die jetzige Einstellung zu merken (Shift+%1)</translation>
</message>
<message id="End and reveal">
<source>End and reveal</source>
<translation>Beenden und aufdecken</translation>
</message>
<message id="Blind…">
<source>Blind…</source>
<translation>Blind…</translation>
</message>
<message id="Ends the comparison and says how it went">
<source>Ends the comparison and says how it went</source>
<translation>Beendet den Vergleich und sagt, wie er ausging</translation>
</message>
<message id="Hides which candidate is which and counts what you prefer; needs two">
<source>Hides which candidate is which and counts what you prefer; needs two</source>
<translation>Verbirgt, welcher Kandidat welcher ist, und zählt, was vorgezogen wird; braucht zwei</translation>
</message>
<message id="Round %1. Listen to each, then choose. Settings and figures are hidden until the end.">
<source>Round %1. Listen to each, then choose. Settings and figures are hidden until the end.</source>
<translation>Runde %1. Jeden anhören, dann wählen. Einstellungen und Zahlen bleiben bis zum Ende verborgen.</translation>
</message>
<message id="Switch while it plays, at equal loudness.">
<source>Switch while it plays, at equal loudness.</source>
<translation>Umschalten, während es spielt, gleich laut.</translation>
</message>
<message id="Keep candidate ">
<source>Keep candidate </source>
<translation>Kandidat merken: </translation>
</message>
<message id="Use candidate ">
<source>Use candidate </source>
<translation>Kandidat nehmen: </translation>
</message>
<message id="Drop candidate ">
<source>Drop candidate </source>
<translation>Kandidat weglegen: </translation>
</message>
<message id="Copy candidate ">
<source>Copy candidate </source>
<translation>Kandidat kopieren: </translation>
</message>
<message id="A blind comparison needs two candidates: keep two settings first.">
<source>A blind comparison needs two candidates: keep two settings first.</source>
<translation>Ein blinder Vergleich braucht zwei Kandidaten: zuerst zwei Einstellungen merken.</translation>
</message>
<message id="Blind comparison ended without a choice.">
<source>Blind comparison ended without a choice.</source>
<translation>Der blinde Vergleich endete ohne Wahl.</translation>
</message>
<message id="You preferred %1 in %2 of %3 rounds; chance alone does as much in %4 % of cases.">
<source>You preferred %1 in %2 of %3 rounds; chance alone does as much in %4 % of cases.</source>
<translation>%1 wurde in %2 von %3 Runden vorgezogen; der Zufall allein tut das in %4 % der Fälle.</translation>
</message>
<message id="Difference of two candidates">
<source>Difference of two candidates</source>
<translation>Unterschied zweier Kandidaten</translation>
</message>
<message id="First candidate">
<source>First candidate</source>
<translation>Erster Kandidat</translation>
</message>
<message id="Second candidate">
<source>Second candidate</source>
<translation>Zweiter Kandidat</translation>
</message>
<message id="Show it">
<source>Show it</source>
<translation>Zeigen</translation>
</message>
<message id="A picture of what one has and the other has not (X)">
<source>A picture of what one has and the other has not (X)</source>
<translation>Ein Bild dessen, was der eine hat und der andere nicht (X)</translation>
</message>
<message id="Networks and settings on the loop">
<source>Networks and settings on the loop</source>
<translation>Netze und Einstellungen auf der Schleife</translation>
</message>
<message id="What should not be in the dialogue but is, against it: an estimate, most true for differences between settings.">
<source>What should not be in the dialogue but is, against it: an estimate, most true for differences between settings.</source>
<translation>Was nicht in den Dialog gehört, aber darin ist, gegen ihn: eine Schätzung, am verlässlichsten für Unterschiede zwischen Einstellungen.</translation>
</message>
<message id="What isolation did to the dialogue, from 0 (untouched) to 100: how much moves in it that did not move before.">
<source>What isolation did to the dialogue, from 0 (untouched) to 100: how much moves in it that did not move before.</source>
<translation>Was das Freistellen dem Dialog antat, von 0 (unberührt) bis 100: wie viel sich in ihm bewegt, das sich vorher nicht bewegte.</translation>
</message>
<message id="Beginnings of t, s and x that were taken away. Words sound lisped or swallowed; raise Onset guard or lower Depth.">
<source>Beginnings of t, s and x that were taken away. Words sound lisped or swallowed; raise Onset guard or lower Depth.</source>
<translation>Anfänge von t, s und x, die weggenommen wurden. Wörter klingen gelispelt oder verschluckt; Einsatzschutz heben oder Tiefe senken.</translation>
</message>
<message id="Treble lost against the middle. The voice sounds as if behind a curtain; lower Firmness or Depth.">
<source>Treble lost against the middle. The voice sounds as if behind a curtain; lower Firmness or Depth.</source>
<translation>Höhen, die gegen die Mitten verloren gingen. Die Stimme klingt wie hinter einem Vorhang; Festigkeit oder Tiefe senken.</translation>
</message>
<message id="Gain that flutters from moment to moment. The voice rings like water; raise Steadiness or lower Firmness.">
<source>Gain that flutters from moment to moment. The voice rings like water; raise Steadiness or lower Firmness.</source>
<translation>Verstärkung, die von Augenblick zu Augenblick flattert. Die Stimme klingt wie unter Wasser; Stetigkeit heben oder Festigkeit senken.</translation>
</message>
<message id="The bed swells around the words. Pauses go dead, words bring the bed back; lower Depth.">
<source>The bed swells around the words. Pauses go dead, words bring the bed back; lower Depth.</source>
<translation>Der Grund schwillt um die Wörter an. Pausen werden tot, Wörter bringen ihn zurück; Tiefe senken.</translation>
</message>
<message id="Gated gaps inside words. The voice cuts out for moments; lower Firmness or raise Steadiness.">
<source>Gated gaps inside words. The voice cuts out for moments; lower Firmness or raise Steadiness.</source>
<translation>Löcher mitten in Wörtern. Die Stimme setzt für Augenblicke aus; Festigkeit senken oder Stetigkeit heben.</translation>
</message>
<message id="Spill">
<source>Spill</source>
<translation>Übersprechen</translation>
</message>
<message id="Damage">
<source>Damage</source>
<translation>Schaden</translation>
</message>
<message id="Split this reel first.">
<source>Split this reel first.</source>
<translation>Zuerst diese Rolle trennen.</translation>
</message>
<message id="Hidden while you compare blind.">
<source>Hidden while you compare blind.</source>
<translation>Verborgen, solange blind verglichen wird.</translation>
</message>
<message id="Keep two candidates first: Shift+A and Shift+B.">
<source>Keep two candidates first: Shift+A and Shift+B.</source>
<translation>Zuerst zwei Kandidaten merken: Shift+A und Shift+B.</translation>
</message>
<message id="Zoom in to a minute or less to see the difference.">
<source>Zoom in to a minute or less to see the difference.</source>
<translation>Auf eine Minute oder weniger hineinzoomen, um den Unterschied zu sehen.</translation>
</message>
<message id=" has more">
<source> has more</source>
<translation> hat mehr</translation>
</message>
<message id="Give strength to reels">
<source>Give strength to reels</source>
<translation>Rollen Stärke geben</translation>
</message>
<message id="%1 for the %2 of:">
<source>%1 for the %2 of:</source>
<translation>%1 für %2 von:</translation>
</message>
<message id="Like this reel?">
<source>Like this reel?</source>
<translation>Wie diese Rolle?</translation>
</message>
<message id="Spill before and after">
<source>Spill before and after</source>
<translation>Übersprechen vorher und nachher</translation>
</message>
<message id="Leave them">
<source>Leave them</source>
<translation>Lassen</translation>
</message>
<message id="One reel now has this strength.">
<source>One reel now has this strength.</source>
<translation>Eine Rolle hat jetzt diese Stärke.</translation>
</message>
<message id="%1 reels now have this strength.">
<source>%1 reels now have this strength.</source>
<translation>%1 Rollen haben jetzt diese Stärke.</translation>
</message>
<message id="not split yet">
<source>not split yet</source>
<translation>noch nicht getrennt</translation>
</message>
<message id="its %1 is not taken apart yet">
<source>its %1 is not taken apart yet</source>
<translation>%1 ist noch nicht zerlegt</translation>
</message>
<message id="Weighing ">
<source>Weighing </source>
<translation>Abwägen: </translation>
</message>
<message id="this one">
<source>this one</source>
<translation>diese</translation>
</message>
<message id="%1, %2 dB apart">
<source>%1, %2 dB apart</source>
<translation>%1, %2 dB auseinander</translation>
</message>
<message id="yes">
<source>yes</source>
<translation>ja</translation>
</message>
<message id="no">
<source>no</source>
<translation>nein</translation>
</message>
<message id="Give it to one reel">
<source>Give it to one reel</source>
<translation>Einer Rolle geben</translation>
</message>
<message id="Give it to %1 reels">
<source>Give it to %1 reels</source>
<translation>%1 Rollen geben</translation>
</message>
<message id="Weighing the reels…">
<source>Weighing the reels…</source>
<translation>Die Rollen werden abgewogen…</translation>
</message>
<message id="Measured over up to a minute of each reel. Similar ones are ticked; one undo takes all back.">
<source>Measured over up to a minute of each reel. Similar ones are ticked; one undo takes all back.</source>
<translation>Gemessen über bis zu eine Minute jeder Rolle. Ähnliche sind angehakt; ein Schritt zurück nimmt alles zurück.</translation>
</message>
<message id="Through a cleaner outside">
<source>Through a cleaner outside</source>
<translation>Durch einen Säuberer außerhalb</translation>
</message>
<message id="The loop, or the whole reel, goes out and comes back to the sample, weighed as Rivlen&apos;s own.">
<source>The loop, or the whole reel, goes out and comes back to the sample, weighed as Rivlen&apos;s own.</source>
<translation>Die Schleife, oder die ganze Rolle, geht hinaus und kommt aufs Sample zurück, abgewogen wie das Eigene.</translation>
</message>
<message id="What is sent">
<source>What is sent</source>
<translation>Was geschickt wird</translation>
</message>
<message id="The recording">
<source>The recording</source>
<translation>Die Aufnahme</translation>
</message>
<message id="Rivlen&apos;s stem">
<source>Rivlen&apos;s stem</source>
<translation>Stem von Rivlen</translation>
</message>
<message id="Sound sent before and after the span, as far as there is any">
<source>Sound sent before and after the span, as far as there is any</source>
<translation>Ton, der vor und nach dem Stück mitgeht, soweit es welchen gibt</translation>
</message>
<message id="How the cleaner is reached">
<source>How the cleaner is reached</source>
<translation>Wie der Säuberer erreicht wird</translation>
</message>
<message id="Command">
<source>Command</source>
<translation>Befehl</translation>
</message>
<message id="Folder">
<source>Folder</source>
<translation>Ordner</translation>
</message>
<message id="Choose the folder">
<source>Choose the folder</source>
<translation>Ordner wählen</translation>
</message>
<message id="Send">
<source>Send</source>
<translation>Schicken</translation>
</message>
<message id="Sends the span and waits for what comes back (Shift+O)">
<source>Sends the span and waits for what comes back (Shift+O)</source>
<translation>Schickt das Stück und wartet auf das, was zurückkommt (Shift+O)</translation>
</message>
<message id="Take a file…">
<source>Take a file…</source>
<translation>Datei nehmen…</translation>
</message>
<message id="An answer that came another way">
<source>An answer that came another way</source>
<translation>Eine Antwort, die anders kam</translation>
</message>
<message id="What came back, below Rivlen&apos;s own">
<source>What came back, below Rivlen&apos;s own</source>
<translation>Was zurückkam, unter dem Eigenen von Rivlen</translation>
</message>
<message id="Of the span">
<source>Of the span</source>
<translation>Des Stücks</translation>
</message>
<message id="A click or Return plays one over the span, at equal loudness">
<source>A click or Return plays one over the span, at equal loudness</source>
<translation>Ein Klick oder Return spielt eine über das Stück, gleich laut</translation>
</message>
<message id="Back to this reel&apos;s">
<source>Back to this reel&apos;s</source>
<translation>Zurück zur Rolle</translation>
</message>
<message id="Plays the stems that the reel has">
<source>Plays the stems that the reel has</source>
<translation>Spielt die Stems, die die Rolle hat</translation>
</message>
<message id="Lays it on a lane of its own at Rebuild, in the place of Rivlen&apos;s own (Ctrl+Shift+O)">
<source>Lays it on a lane of its own at Rebuild, in the place of Rivlen&apos;s own (Ctrl+Shift+O)</source>
<translation>Legt sie auf eine eigene Spur im Aufbau, an die Stelle des Eigenen (Ctrl+Shift+O)</translation>
</message>
<message id="The cleaner&apos;s folder">
<source>The cleaner&apos;s folder</source>
<translation>Der Ordner des Säuberers</translation>
</message>
<message id="What came back">
<source>What came back</source>
<translation>Was zurückkam</translation>
</message>
<message id="folder">
<source>folder</source>
<translation>Ordner</translation>
</message>
<message id="Run by a shell: {in} is what was sent, {out} the file that it must write">
<source>Run by a shell: {in} is what was sent, {out} the file that it must write</source>
<translation>Läuft in einer Shell: {in} ist, was geschickt wurde, {out} die Datei, die er schreiben muss</translation>
</message>
<message id="The sound is put here; its answer is a file whose name begins in the same way">
<source>The sound is put here; its answer is a file whose name begins in the same way</source>
<translation>Der Ton kommt hierher; die Antwort ist eine Datei, deren Name ebenso beginnt</translation>
</message>
<message id="Rivlen&apos;s own, as weighed">
<source>Rivlen&apos;s own, as weighed</source>
<translation>Das Eigene von Rivlen, wie abgewogen</translation>
</message>
<message id="hidden">
<source>hidden</source>
<translation>verborgen</translation>
</message>
<message id="Split this reel first: what comes back is weighed beside its stems.">
<source>Split this reel first: what comes back is weighed beside its stems.</source>
<translation>Zuerst diese Rolle trennen: was zurückkommt, wird neben ihren Stems abgewogen.</translation>
</message>
<message id="Choose Dialogue, Music or Ambience first: parts are not sent.">
<source>Choose Dialogue, Music or Ambience first: parts are not sent.</source>
<translation>Zuerst Dialog, Musik oder Atmo wählen: Teile werden nicht geschickt.</translation>
</message>
<message id="Give the command that cleans {in} into {out}, or choose a folder.">
<source>Give the command that cleans {in} into {out}, or choose a folder.</source>
<translation>Den Befehl angeben, der {in} nach {out} säubert, oder einen Ordner wählen.</translation>
</message>
<message id="Choose the folder that the cleaner takes its sounds from.">
<source>Choose the folder that the cleaner takes its sounds from.</source>
<translation>Den Ordner wählen, aus dem der Säuberer seine Klänge nimmt.</translation>
</message>
<message id="Sending ">
<source>Sending </source>
<translation>Schicken: </translation>
</message>
<message id="Send the sound first: an answer is found by what was sent.">
<source>Send the sound first: an answer is found by what was sent.</source>
<translation>Zuerst den Ton schicken: eine Antwort wird nach dem gefunden, was geschickt wurde.</translation>
</message>
<message id="Finding what came back">
<source>Finding what came back</source>
<translation>Finden, was zurückkam</translation>
</message>
<message id="Waiting in the folder for a file that begins with &quot;%1&quot;.">
<source>Waiting in the folder for a file that begins with &quot;%1&quot;.</source>
<translation>Wartet im Ordner auf eine Datei, die mit „%1“ beginnt.</translation>
</message>
<message id="The loop, or the whole reel, is sent; its answer is found by its sound.">
<source>The loop, or the whole reel, is sent; its answer is found by its sound.</source>
<translation>Die Schleife, oder die ganze Rolle, wird geschickt; die Antwort wird nach ihrem Klang gefunden.</translation>
</message>
<message id="Found %1 ms %2, at %3 Hz; brought in at %4%5 dB.">
<source>Found %1 ms %2, at %3 Hz; brought in at %4%5 dB.</source>
<translation>Gefunden: %1 ms %2, mit %3 Hz; eingesetzt mit %4%5 dB.</translation>
</message>
<message id="early">
<source>early</source>
<translation>zu früh</translation>
</message>
<message id="late">
<source>late</source>
<translation>zu spät</translation>
</message>
<message id="Lay in from outside">
<source>Lay in from outside</source>
<translation>Von außerhalb einsetzen</translation>
</message>
<message id="What came back from %1 lies on a lane of its own at Rebuild.">
<source>What came back from %1 lies on a lane of its own at Rebuild.</source>
<translation>Was von %1 zurückkam, liegt auf einer eigenen Spur im Aufbau.</translation>
</message>
<message id="Regions">
<source>Regions</source>
<translation>Bereiche</translation>
</message>
<message id="What the controls change: the whole reel, or a region. F2 or a double click names a region.">
<source>What the controls change: the whole reel, or a region. F2 or a double click names a region.</source>
<translation>Was die Regler ändern: die ganze Rolle oder einen Bereich. F2 oder ein Doppelklick benennt einen Bereich.</translation>
</message>
<message id="Add from the loop">
<source>Add from the loop</source>
<translation>Aus der Schleife</translation>
</message>
<message id="Gives the loop a strength of its own (R)">
<source>Gives the loop a strength of its own (R)</source>
<translation>Gibt der Schleife eine eigene Stärke (R)</translation>
</message>
<message id="Gives these settings to another region">
<source>Gives these settings to another region</source>
<translation>Gibt diese Einstellungen einem anderen Bereich</translation>
</message>
<message id="The strength of the whole reel holds there again">
<source>The strength of the whole reel holds there again</source>
<translation>Dort gilt wieder die Stärke der ganzen Rolle</translation>
</message>
<message id="Fade at its borders">
<source>Fade at its borders</source>
<translation>Blende an seinen Grenzen</translation>
</message>
<message id="Fade">
<source>Fade</source>
<translation>Blende</translation>
</message>
<message id="Over which its strength comes and goes; there is never a step">
<source>Over which its strength comes and goes; there is never a step</source>
<translation>Worüber seine Stärke kommt und geht; eine Stufe gibt es nie</translation>
</message>
<message id="Drawn over time">
<source>Drawn over time</source>
<translation>Über die Zeit gezeichnet</translation>
</message>
<message id="Take the drawing away">
<source>Take the drawing away</source>
<translation>Zeichnung weg</translation>
</message>
<message id="The setting is level again">
<source>The setting is level again</source>
<translation>Die Einstellung ist wieder gleichbleibend</translation>
</message>
<message id="Other reels">
<source>Other reels</source>
<translation>Andere Rollen</translation>
</message>
<message id="One strength for all similar reels, with what it does to each.">
<source>One strength for all similar reels, with what it does to each.</source>
<translation>Eine Stärke für alle ähnlichen Rollen, und was sie mit jeder macht.</translation>
</message>
<message id="Give strength to reels…">
<source>Give strength to reels…</source>
<translation>Rollen Stärke geben…</translation>
</message>
<message id="Shows spill and damage before and after for each reel">
<source>Shows spill and damage before and after for each reel</source>
<translation>Zeigt Übersprechen und Schaden jeder Rolle vorher und nachher</translation>
</message>
<message id="%1 to %2">
<source>%1 to %2</source>
<translation>%1 bis %2</translation>
</message>
<message id="%1 follows %2 point outside the regions.">
<source>%1 follows %2 point outside the regions.</source>
<translation>%1 folgt außerhalb der Bereiche %2 Punkt.</translation>
</message>
<message id="%1 follows %2 points outside the regions.">
<source>%1 follows %2 points outside the regions.</source>
<translation>%1 folgt außerhalb der Bereiche %2 Punkten.</translation>
</message>
<message id="%1 is level. A double click below the picture draws it; the list there chooses another setting.">
<source>%1 is level. A double click below the picture draws it; the list there chooses another setting.</source>
<translation>%1 ist gleichbleibend. Ein Doppelklick unter dem Bild zeichnet; die Liste dort wählt eine andere Einstellung.</translation>
</message>
<message id="There is no other reel in this session.">
<source>There is no other reel in this session.</source>
<translation>In dieser Sitzung gibt es keine andere Rolle.</translation>
</message>
<message id="Presets">
<source>Presets</source>
<translation>Vorgaben</translation>
</message>
<message id="Strength settings for common uses, and your own">
<source>Strength settings for common uses, and your own</source>
<translation>Stärken für übliche Zwecke, und eigene</translation>
</message>
<message id="Keep as preset">
<source>Keep as preset</source>
<translation>Als Vorgabe merken</translation>
</message>
<message id="Use preset ">
<source>Use preset </source>
<translation>Vorgabe nehmen: </translation>
</message>
<message id="full">
<source>full</source>
<translation>voll</translation>
</message>
<message id="as Depth">
<source>as Depth</source>
<translation>wie Tiefe</translation>
</message>
<message id="Reset Band bias">
<source>Reset Band bias</source>
<translation>Bandneigung zurücksetzen</translation>
</message>
<message id="Reset: level">
<source>Reset: level</source>
<translation>Zurücksetzen: gleich</translation>
</message>
<message id="Only the dialogue has a room that can be taken away from it.">
<source>Only the dialogue has a room that can be taken away from it.</source>
<translation>Nur der Dialog hat einen Raum, der sich von ihm nehmen lässt.</translation>
</message>
<message id="This split did not keep the room apart: split the reel again, with a network and quality that do.">
<source>This split did not keep the room apart: split the reel again, with a network and quality that do.</source>
<translation>Diese Trennung hielt den Raum nicht für sich: die Rolle noch einmal trennen, mit einem Netz und einer Güte, die das tun.</translation>
</message>
<message id="The ambience itself is wanted: nothing of it goes.">
<source>The ambience itself is wanted: nothing of it goes.</source>
<translation>Die Atmo selbst soll bleiben: nichts von ihr geht.</translation>
</message>
<message id="A part of the ambience is wanted by itself.">
<source>A part of the ambience is wanted by itself.</source>
<translation>Ein Teil der Atmo soll für sich bleiben.</translation>
</message>
<message id="LUFS here: source %1, result %2, leftovers %3">
<source>LUFS here: source %1, result %2, leftovers %3</source>
<translation>LUFS hier: Quelle %1, Ergebnis %2, Reste %3</translation>
</message>
<message id="Strength of the ">
<source>Strength of the </source>
<translation>Stärke: </translation>
</message>
<message id="The dialogue has no parts: choose the music or the ambience first.">
<source>The dialogue has no parts: choose the music or the ambience first.</source>
<translation>Der Dialog hat keine Teile: zuerst die Musik oder die Atmo wählen.</translation>
</message>
<message id="A region needs a loop: drag over the picture, or set its edges with [ and ].">
<source>A region needs a loop: drag over the picture, or set its edges with [ and ].</source>
<translation>Ein Bereich braucht eine Schleife: über das Bild ziehen, oder ihre Grenzen mit [ und ] setzen.</translation>
</message>
<message id="Add region">
<source>Add region</source>
<translation>Bereich hinzufügen</translation>
</message>
<message id="Remove region">
<source>Remove region</source>
<translation>Bereich entfernen</translation>
</message>
<message id="Name region">
<source>Name region</source>
<translation>Bereich benennen</translation>
</message>
<message id="Set fade">
<source>Set fade</source>
<translation>Blende setzen</translation>
</message>
<message id="Move region">
<source>Move region</source>
<translation>Bereich verschieben</translation>
</message>
<message id="Copy strength">
<source>Copy strength</source>
<translation>Stärke kopieren</translation>
</message>
<message id="Draw %1">
<source>Draw %1</source>
<translation>%1 zeichnen</translation>
</message>
<message id="Whole reel">
<source>Whole reel</source>
<translation>Ganze Rolle</translation>
</message>
<message id="Strength over time">
<source>Strength over time</source>
<translation>Stärke über die Zeit</translation>
</message>
<message id="Regions with settings of their own, and one setting over time.&#10;Double-click draws a point; drag it, arrow keys move it, Delete takes it away.&#10;Drag a region&apos;s border to move it.">
<source>Regions with settings of their own, and one setting over time.&#10;Double-click draws a point; drag it, arrow keys move it, Delete takes it away.&#10;Drag a region&apos;s border to move it.</source>
<translation>Bereiche mit eigenen Einstellungen, und eine Einstellung über die Zeit.&#10;Doppelklick zeichnet einen Punkt; ziehen, Pfeiltasten bewegen ihn, Entf nimmt ihn weg.&#10;Die Grenze eines Bereichs ziehen, um sie zu verschieben.</translation>
</message>
<message id="Setting shown over time">
<source>Setting shown over time</source>
<translation>Einstellung, die über die Zeit zu sehen ist</translation>
</message>
<message id="No regions: one strength for the whole reel. R gives the loop a strength of its own.">
<source>No regions: one strength for the whole reel. R gives the loop a strength of its own.</source>
<translation>Keine Bereiche: eine Stärke für die ganze Rolle. R gibt der Schleife eine eigene.</translation>
</message>
<message id="Trade-off chart">
<source>Trade-off chart</source>
<translation>Abwägebild</translation>
</message>
<message id="Spill against damage, from no isolation (left) to the strongest (right).&#10;Drag the dot along the curve, or use the arrow keys; K takes the suggestion.">
<source>Spill against damage, from no isolation (left) to the strongest (right).&#10;Drag the dot along the curve, or use the arrow keys; K takes the suggestion.</source>
<translation>Übersprechen gegen Schaden, von keinem Freistellen (links) bis zum stärksten (rechts).&#10;Den Punkt die Kurve entlang ziehen, oder die Pfeiltasten; K nimmt den Vorschlag.</translation>
</message>
<message id="less spill →">
<source>less spill →</source>
<translation>weniger Übersprechen →</translation>
</message>
<message id="damage →">
<source>damage →</source>
<translation>Schaden →</translation>
</message>
<message id="Hidden until the blind comparison ends.">
<source>Hidden until the blind comparison ends.</source>
<translation>Verborgen, bis der blinde Vergleich endet.</translation>
</message>
<message id="Weighing…">
<source>Weighing…</source>
<translation>Wird abgewogen…</translation>
</message>
<message id="The trade-off of spill and damage appears here once the reel is split.">
<source>The trade-off of spill and damage appears here once the reel is split.</source>
<translation>Übersprechen und Schaden stehen hier gegeneinander, sobald die Rolle getrennt ist.</translation>
</message>
<message id="now, as suggested">
<source>now, as suggested</source>
<translation>jetzt, wie vorgeschlagen</translation>
</message>
<message id="suggested">
<source>suggested</source>
<translation>Vorschlag</translation>
</message>
<message id="now">
<source>now</source>
<translation>jetzt</translation>
</message>
<message id="Try them">
<source>Try them</source>
<translation>Versuchen</translation>
</message>
<message id="Separates the loop with every network and quality, at this strength and the candidates&apos; (T)">
<source>Separates the loop with every network and quality, at this strength and the candidates&apos; (T)</source>
<translation>Trennt die Schleife mit jedem Netz und jeder Güte, mit dieser Stärke und denen der Kandidaten (T)</translation>
</message>
<message id="Trials, the best first">
<source>Trials, the best first</source>
<translation>Versuche, der beste zuerst</translation>
</message>
<message id="Best first">
<source>Best first</source>
<translation>Bester zuerst</translation>
</message>
<message id="A click or Return plays one in the loop, at equal loudness">
<source>A click or Return plays one in the loop, at equal loudness</source>
<translation>Ein Klick oder Return spielt einen in der Schleife, gleich laut</translation>
</message>
<message id="Use it">
<source>Use it</source>
<translation>Diesen nehmen</translation>
</message>
<message id="Takes its network, quality and strength for the whole reel">
<source>Takes its network, quality and strength for the whole reel</source>
<translation>Nimmt sein Netz, seine Güte und Stärke für die ganze Rolle</translation>
</message>
<message id="Each is separated at once, and heard before it is used.">
<source>Each is separated at once, and heard before it is used.</source>
<translation>Jeder wird sofort getrennt, und gehört, bevor er genommen wird.</translation>
</message>
<message id="Of %1 to %2.">
<source>Of %1 to %2.</source>
<translation>Von %1 bis %2.</translation>
</message>
<message id="Separated in %1 s">
<source>Separated in %1 s</source>
<translation>In %1 s getrennt</translation>
</message>
<message id="Trials are of stems: choose Dialogue, Music or Ambience at Weigh first.">
<source>Trials are of stems: choose Dialogue, Music or Ambience at Weigh first.</source>
<translation>Versuche gelten Stems: zuerst unter Abwägen Dialog, Musik oder Atmo wählen.</translation>
</message>
<message id="Set a loop of up to 30 s: drag over the picture.">
<source>Set a loop of up to 30 s: drag over the picture.</source>
<translation>Eine Schleife von bis zu 30 s setzen: über das Bild ziehen.</translation>
</message>
<message id="The loop is longer than 30 s: make it shorter.">
<source>The loop is longer than 30 s: make it shorter.</source>
<translation>Die Schleife ist länger als 30 s: kürzer machen.</translation>
</message>
<message id="The loop is shorter than half a second: make it longer.">
<source>The loop is shorter than half a second: make it longer.</source>
<translation>Die Schleife ist kürzer als eine halbe Sekunde: länger machen.</translation>
</message>
<message id="Use ">
<source>Use </source>
<translation>Nehmen: </translation>
</message>
<message id="Weighing">
<source>Weighing</source>
<translation>Abwägen</translation>
</message>
<message id="Set strength">
<source>Set strength</source>
<translation>Stärke setzen</translation>
</message>
<message id="at Weigh: use a candidate; with Shift keep the present setting as it">
<source>at Weigh: use a candidate; with Shift keep the present setting as it</source>
<translation>unter Abwägen: einen Kandidaten nehmen; mit Shift die jetzige Einstellung als diesen merken</translation>
</message>
<message id="in a blind comparison: prefer what is heard">
<source>in a blind comparison: prefer what is heard</source>
<translation>im blinden Vergleich: das Gehörte vorziehen</translation>
</message>
<message id="at Weigh: the strength of Dialogue, Music, Ambience">
<source>at Weigh: the strength of Dialogue, Music, Ambience</source>
<translation>unter Abwägen: die Stärke von Dialog, Musik, Atmo</translation>
</message>
<message id="at Weigh: the next part of the music or the ambience">
<source>at Weigh: the next part of the music or the ambience</source>
<translation>unter Abwägen: der nächste Teil der Musik oder der Atmo</translation>
</message>
<message id="at Weigh: a region of its own for the loop">
<source>at Weigh: a region of its own for the loop</source>
<translation>unter Abwägen: ein eigener Bereich für die Schleife</translation>
</message>
<message id="at Split and Weigh: try networks and settings on the loop">
<source>at Split and Weigh: try networks and settings on the loop</source>
<translation>unter Trennen und Abwägen: Netze und Einstellungen auf der Schleife versuchen</translation>
</message>
<message id="at Weigh: send the loop through the cleaner outside; with Ctrl as well lay in what came back">
<source>at Weigh: send the loop through the cleaner outside; with Ctrl as well lay in what came back</source>
<translation>unter Abwägen: die Schleife durch den Säuberer außerhalb schicken; mit Ctrl das Zurückgekommene einsetzen</translation>
</message>
<message id="at Weigh: the difference of two candidates as a picture">
<source>at Weigh: the difference of two candidates as a picture</source>
<translation>unter Abwägen: der Unterschied zweier Kandidaten als Bild</translation>
</message>
<message id="at Weigh: take the suggested strength">
<source>at Weigh: take the suggested strength</source>
<translation>unter Abwägen: die vorgeschlagene Stärke nehmen</translation>
</message>
<message id="at Weigh: hear the next or the last of the worst places">
<source>at Weigh: hear the next or the last of the worst places</source>
<translation>unter Abwägen: die nächste oder letzte der schlimmsten Stellen hören</translation>
</message>
<message id="How strong before it hurts?">
<source>How strong before it hurts?</source>
<translation>Wie stark, bevor es schadet?</translation>
</message>
<message id="Weigh the strength of the %1 (Ctrl+%2)">
<source>Weigh the strength of the %1 (Ctrl+%2)</source>
<translation>Die Stärke für %1 abwägen (Ctrl+%2)</translation>
</message>
<message id="Part of the stem">
<source>Part of the stem</source>
<translation>Teil des Stems</translation>
</message>
<message id="Weigh one part of the stem, which is taken apart for it (Shift+P: the next one)">
<source>Weigh one part of the stem, which is taken apart for it (Shift+P: the next one)</source>
<translation>Einen Teil des Stems abwägen, der dafür zerlegt wird (Shift+P: der nächste)</translation>
</message>
<message id="Over time">
<source>Over time</source>
<translation>Über die Zeit</translation>
</message>
<message id="Compare">
<source>Compare</source>
<translation>Vergleich</translation>
</message>
<message id="Outside">
<source>Outside</source>
<translation>Außerhalb</translation>
</message>
<message id="Split this reel first; then its strength is weighed here, live while it plays.">
<source>Split this reel first; then its strength is weighed here, live while it plays.</source>
<translation>Zuerst diese Rolle trennen; dann wird hier ihre Stärke abgewogen, während sie spielt.</translation>
</message>
<message id="In force on: %1">
<source>In force on: %1</source>
<translation>In Kraft auf: %1</translation>
</message>
<message id="All of the %1">
<source>All of the %1</source>
<translation>%1 im Ganzen</translation>
</message>
<message id=": being taken out of the %1…">
<source>: being taken out of the %1…</source>
<translation>: wird herausgeholt aus %1…</translation>
</message>
<message id="Sets Depth and Firmness to the suggestion (K)">
<source>Sets Depth and Firmness to the suggestion (K)</source>
<translation>Setzt Tiefe und Festigkeit auf den Vorschlag (K)</translation>
</message>
<message id="Worst places">
<source>Worst places</source>
<translation>Schlimmste Stellen</translation>
</message>
<message id="Where isolation hurts most or leaves most. N and Shift+N step through them, each in a loop.">
<source>Where isolation hurts most or leaves most. N and Shift+N step through them, each in a loop.</source>
<translation>Wo das Freistellen am meisten schadet oder übrig lässt. N und Shift+N gehen sie durch, jede in einer Schleife.</translation>
</message>
<message id="Suggested: Depth %1, Firmness %2. %3">
<source>Suggested: Depth %1, Firmness %2. %3</source>
<translation>Tiefe %1, Festigkeit %2. %3</translation>
</message>
<message id="&quot;%1&quot; is not a value for %2: give %3 to %4 %5">
<source>&quot;%1&quot; is not a value for %2: give %3 to %4 %5</source>
<translation>„%1“ ist kein Wert für %2: %3 bis %4 %5 angeben</translation>
</message>
<message id="Desk (dark)">
<source>Desk (dark)</source>
<translation>Tisch (dunkel)</translation>
</message>
<message id="Paper (light)">
<source>Paper (light)</source>
<translation>Papier (hell)</translation>
</message>
<message id="High contrast">
<source>High contrast</source>
<translation>Hoher Kontrast</translation>
</message>
<message id="Reset: %1">
<source>Reset: %1</source>
<translation>Zurücksetzen: %1</translation>
</message>
<message id="Reset %1">
<source>Reset %1</source>
<translation>%1 zurücksetzen</translation>
</message>
<message id="Course: the five stages">
<source>Course: the five stages</source>
<translation>Gang: die fünf Stufen</translation>
</message>
<message id="%1 (Alt+%2)">
<source>%1 (Alt+%2)</source>
<translation>%1 (Alt+%2)</translation>
</message>
<message id="Help">
<source>Help</source>
<translation>Hilfe</translation>
</message>
<message id="Keyboard shortcuts">
<source>Keyboard shortcuts</source>
<translation>Tastenkürzel</translation>
</message>
<message id="View">
<source>View</source>
<translation>Ansicht</translation>
</message>
<message id="Picture in its own window">
<source>Picture in its own window</source>
<translation>Bild in eigenem Fenster</translation>
</message>
<message id="Lanes in their own window">
<source>Lanes in their own window</source>
<translation>Spuren in eigenem Fenster</translation>
</message>
<message id="Head-related responses…">
<source>Head-related responses…</source>
<translation>Kopfbezogene Antworten…</translation>
</message>
<message id="Head-related responses">
<source>Head-related responses</source>
<translation>Kopfbezogene Antworten</translation>
</message>
<message id="SOFA files (*.sofa)">
<source>SOFA files (*.sofa)</source>
<translation>SOFA-Dateien (*.sofa)</translation>
</message>
<message id="Head-related responses that are shipped">
<source>Head-related responses that are shipped</source>
<translation>Mitgelieferte kopfbezogene Antworten</translation>
</message>
<message id="Head tracker">
<source>Head tracker</source>
<translation>Kopfsensor</translation>
</message>
<message id="Turns the head by what a tracker on this machine sends (OSC, /head/yaw)">
<source>Turns the head by what a tracker on this machine sends (OSC, /head/yaw)</source>
<translation>Dreht den Kopf nach dem, was ein Sensor auf diesem Rechner schickt (OSC, /head/yaw)</translation>
</message>
<message id="Port of the head tracker…">
<source>Port of the head tracker…</source>
<translation>Port des Kopfsensors…</translation>
</message>
<message id="UDP port of this machine:">
<source>UDP port of this machine:</source>
<translation>UDP-Port dieses Rechners:</translation>
</message>
<message id="Sound output…">
<source>Sound output…</source>
<translation>Tonausgabe…</translation>
</message>
<message id="Appearance">
<source>Appearance</source>
<translation>Aussehen</translation>
</message>
<message id="The appearance is another one from the next start on.">
<source>The appearance is another one from the next start on.</source>
<translation>Das Aussehen ändert sich beim nächsten Start.</translation>
</message>
<message id="Language of the window">
<source>Language of the window</source>
<translation>Sprache des Fensters</translation>
</message>
<message id="The language is another one from the next start on.">
<source>The language is another one from the next start on.</source>
<translation>Die Sprache ändert sich beim nächsten Start.</translation>
</message>
<message id="Propose the next step">
<source>Propose the next step</source>
<translation>Den nächsten Schritt vorschlagen</translation>
</message>
<message id="Drop a mixed recording here, audio or video,&#10;or press Ctrl+I to choose one.&#10;&#10;Rivlen takes it apart into dialogue, music and ambience, on this machine only.">
<source>Drop a mixed recording here, audio or video,&#10;or press Ctrl+I to choose one.&#10;&#10;Rivlen takes it apart into dialogue, music and ambience, on this machine only.</source>
<translation>Eine gemischte Aufnahme hier fallen lassen, Ton oder Video,&#10;oder mit Ctrl+I eine wählen.&#10;&#10;Rivlen zerlegt sie in Dialog, Musik und Atmo, nur auf diesem Rechner.</translation>
</message>
<message id=" – Rivlen">
<source> – Rivlen</source>
<translation> – Rivlen</translation>
</message>
<message id="Split all %1 reels">
<source>Split all %1 reels</source>
<translation>Alle %1 Rollen trennen</translation>
</message>
<message id="Take the treatments that are proposed">
<source>Take the treatments that are proposed</source>
<translation>Die vorgeschlagenen Behandlungen nehmen</translation>
</message>
<message id="Take it apart: on to Split">
<source>Take it apart: on to Split</source>
<translation>Auseinandernehmen: weiter zum Trennen</translation>
</message>
<message id="Take its stems apart">
<source>Take its stems apart</source>
<translation>Ihre Stems zerlegen</translation>
</message>
<message id="How strong? On to Weigh">
<source>How strong? On to Weigh</source>
<translation>Wie stark? Weiter zum Abwägen</translation>
</message>
<message id="Take the suggested strength">
<source>Take the suggested strength</source>
<translation>Die vorgeschlagene Stärke nehmen</translation>
</message>
<message id="On to Rebuild">
<source>On to Rebuild</source>
<translation>Weiter zum Aufbau</translation>
</message>
<message id="Deliver the ticked file…">
<source>Deliver the ticked file…</source>
<translation>Die angehakte Datei ausliefern…</translation>
</message>
<message id="Deliver the %1 ticked files…">
<source>Deliver the %1 ticked files…</source>
<translation>Die %1 angehakten Dateien ausliefern…</translation>
</message>
<message id="On to Dispatch">
<source>On to Dispatch</source>
<translation>Weiter zum Versand</translation>
</message>
<message id="Time scale">
<source>Time scale</source>
<translation>Zeitachse</translation>
</message>
<message id="Pictures of the video along time">
<source>Pictures of the video along time</source>
<translation>Bilder des Videos über die Zeit</translation>
</message>
<message id="Current: the recording divided into its stems">
<source>Current: the recording divided into its stems</source>
<translation>Strombild: die Aufnahme, in ihre Stems geteilt</translation>
</message>
<message id="Ownership: which stem owns which sound">
<source>Ownership: which stem owns which sound</source>
<translation>Zugehörigkeit: welchem Stem welcher Klang gehört</translation>
</message>
<message id="The delivered file along time">
<source>The delivered file along time</source>
<translation>Die gelieferte Datei über die Zeit</translation>
</message>
<message id="Faults along time">
<source>Faults along time</source>
<translation>Fehler über die Zeit</translation>
</message>
<message id="Loudness and noise floor along time">
<source>Loudness and noise floor along time</source>
<translation>Lautheit und Grundrauschen über die Zeit</translation>
</message>
<message id="The stems one above the other">
<source>The stems one above the other</source>
<translation>Die Stems übereinander</translation>
</message>
<message id="Marks along time">
<source>Marks along time</source>
<translation>Angaben über die Zeit</translation>
</message>
<message id="How sure the network was along time">
<source>How sure the network was along time</source>
<translation>Wie sicher das Netz war, über die Zeit</translation>
</message>
<message id="Current and Ownership">
<source>Current and Ownership</source>
<translation>Strombild und Zugehörigkeit</translation>
</message>
<message id="Switches between the Current and the Ownership picture (V)">
<source>Switches between the Current and the Ownership picture (V)</source>
<translation>Wechselt zwischen Strombild und Zugehörigkeitsbild (V)</translation>
</message>
<message id="Length of the spectra">
<source>Length of the spectra</source>
<translation>Länge der Spektren</translation>
</message>
<message id="How long a stretch each spectrum looks at: short ones part moments, long ones tones (Shift+V)">
<source>How long a stretch each spectrum looks at: short ones part moments, long ones tones (Shift+V)</source>
<translation>Wie lang das Stück ist, auf das jedes Spektrum blickt: kurze trennen Augenblicke, lange Töne (Shift+V)</translation>
</message>
<message id="All">
<source>All</source>
<translation>Alles</translation>
</message>
<message id="Show more time (-)">
<source>Show more time (-)</source>
<translation>Mehr Zeit zeigen (-)</translation>
</message>
<message id="Show less time (+)">
<source>Show less time (+)</source>
<translation>Weniger Zeit zeigen (+)</translation>
</message>
<message id="Show the whole reel (0)">
<source>Show the whole reel (0)</source>
<translation>Die ganze Rolle zeigen (0)</translation>
</message>
<message id="Only %1 in the loop">
<source>Only %1 in the loop</source>
<translation>Nur %1 in der Schleife</translation>
</message>
<message id="Show the Current">
<source>Show the Current</source>
<translation>Das Strombild zeigen</translation>
</message>
<message id="Show the Ownership picture">
<source>Show the Ownership picture</source>
<translation>Das Zugehörigkeitsbild zeigen</translation>
</message>
<message id="The lanes stand in a window of their own. Ctrl+Shift+L takes them back.">
<source>The lanes stand in a window of their own. Ctrl+Shift+L takes them back.</source>
<translation>Die Spuren stehen in einem eigenen Fenster. Ctrl+Shift+L holt sie zurück.</translation>
</message>
<message id="The picture stands in a window of its own. Ctrl+Shift+V takes it back.">
<source>The picture stands in a window of its own. Ctrl+Shift+V takes it back.</source>
<translation>Das Bild steht in einem eigenen Fenster. Ctrl+Shift+V holt es zurück.</translation>
</message>
<message id="&#10;and %1 more">
<source>&#10;and %1 more</source>
<translation>&#10;und %1 weitere</translation>
</message>
<message id="This session names recordings outside of its folder, where you have not worked before:&#10;">
<source>This session names recordings outside of its folder, where you have not worked before:&#10;</source>
<translation>Diese Sitzung nennt Aufnahmen außerhalb ihres Ordners, wo hier noch nicht gearbeitet wurde:&#10;</translation>
</message>
<message id="&#10;&#10;May they be read?">
<source>&#10;&#10;May they be read?</source>
<translation>&#10;&#10;Dürfen sie gelesen werden?</translation>
</message>
<message id="Session">
<source>Session</source>
<translation>Sitzung</translation>
</message>
<message id="New">
<source>New</source>
<translation>Neu</translation>
</message>
<message id="Open…">
<source>Open…</source>
<translation>Öffnen…</translation>
</message>
<message id="Open recent">
<source>Open recent</source>
<translation>Zuletzt geöffnet</translation>
</message>
<message id="None yet">
<source>None yet</source>
<translation>Noch keine</translation>
</message>
<message id="Open the demo">
<source>Open the demo</source>
<translation>Die Demo öffnen</translation>
</message>
<message id="Save">
<source>Save</source>
<translation>Speichern</translation>
</message>
<message id="Save as…">
<source>Save as…</source>
<translation>Speichern als…</translation>
</message>
<message id="Quit">
<source>Quit</source>
<translation>Beenden</translation>
</message>
<message id="Add recordings…">
<source>Add recordings…</source>
<translation>Aufnahmen hinzufügen…</translation>
</message>
<message id="Open session">
<source>Open session</source>
<translation>Sitzung öffnen</translation>
</message>
<message id="Rivlen sessions (*.rivlen)">
<source>Rivlen sessions (*.rivlen)</source>
<translation>Sitzungen von Rivlen (*.rivlen)</translation>
</message>
<message id="Save session">
<source>Save session</source>
<translation>Sitzung speichern</translation>
</message>
<message id="This session has changes that are not saved.">
<source>This session has changes that are not saved.</source>
<translation>Diese Sitzung hat Änderungen, die nicht gespeichert sind.</translation>
</message>
<message id="Undo">
<source>Undo</source>
<translation>Zurück</translation>
</message>
<message id="Redo">
<source>Redo</source>
<translation>Wieder</translation>
</message>
<message id="  ·  not saved">
<source>  ·  not saved</source>
<translation>  ·  nicht gespeichert</translation>
</message>
<message id="Undo: ">
<source>Undo: </source>
<translation>Zurück: </translation>
</message>
<message id=" (Ctrl+Z)">
<source> (Ctrl+Z)</source>
<translation> (Ctrl+Z)</translation>
</message>
<message id="Redo: ">
<source>Redo: </source>
<translation>Wieder: </translation>
</message>
<message id=" (Ctrl+Shift+Z)">
<source> (Ctrl+Shift+Z)</source>
<translation> (Ctrl+Shift+Z)</translation>
</message>
<message id="play or stop">
<source>play or stop</source>
<translation>Start oder Halt</translation>
</message>
<message id="hear Source, Result, Dialogue, Music, Ambience, Leftovers">
<source>hear Source, Result, Dialogue, Music, Ambience, Leftovers</source>
<translation>Quelle, Ergebnis, Dialog, Musik, Atmo, Reste hören</translation>
</message>
<message id="where treatments work: hear the reel as recorded, and what they removed">
<source>where treatments work: hear the reel as recorded, and what they removed</source>
<translation>wo Behandlungen wirken: die Rolle wie aufgenommen hören, und was sie entfernten</translation>
</message>
<message id="hear the Mix, where there is a rebuild">
<source>hear the Mix, where there is a rebuild</source>
<translation>den Mix hören, wo es einen Aufbau gibt</translation>
</message>
<message id="O, held">
<source>O, held</source>
<translation>O, gehalten</translation>
</message>
<message id="hear the source while the key is down">
<source>hear the source while the key is down</source>
<translation>die Quelle hören, solange die Taste unten ist</translation>
</message>
<message id="level match on or off">
<source>level match on or off</source>
<translation>gleich laut ein oder aus</translation>
</message>
<message id="loop starts or ends at the playhead">
<source>loop starts or ends at the playhead</source>
<translation>die Schleife beginnt oder endet am Abspielkopf</translation>
</message>
<message id="take the loop away">
<source>take the loop away</source>
<translation>die Schleife wegnehmen</translation>
</message>
<message id="one second back or on">
<source>one second back or on</source>
<translation>eine Sekunde zurück oder weiter</translation>
</message>
<message id=", and .">
<source>, and .</source>
<translation>, und .</translation>
</message>
<message id="to the start or the end">
<source>to the start or the end</source>
<translation>zum Anfang oder Ende</translation>
</message>
<message id="on headphones: turn the head, look ahead">
<source>on headphones: turn the head, look ahead</source>
<translation>auf Kopfhörern: den Kopf drehen, geradeaus sehen</translation>
</message>
<message id="hear the mix on headphones">
<source>hear the mix on headphones</source>
<translation>den Mix auf Kopfhörern hören</translation>
</message>
<message id="a picture frame back or on">
<source>a picture frame back or on</source>
<translation>ein Bild zurück oder weiter</translation>
</message>
<message id="show or hide the picture window">
<source>show or hide the picture window</source>
<translation>das Bildfenster zeigen oder verbergen</translation>
</message>
<message id="all reels as a table">
<source>all reels as a table</source>
<translation>alle Rollen als Tabelle</translation>
</message>
<message id="Current or Ownership picture">
<source>Current or Ownership picture</source>
<translation>Strombild oder Zugehörigkeitsbild</translation>
</message>
<message id="longer or shorter spectra in the Ownership picture">
<source>longer or shorter spectra in the Ownership picture</source>
<translation>längere oder kürzere Spektren im Zugehörigkeitsbild</translation>
</message>
<message id="show less time, more time, everything">
<source>show less time, more time, everything</source>
<translation>weniger Zeit zeigen, mehr Zeit, alles</translation>
</message>
<message id="the stages of the course">
<source>the stages of the course</source>
<translation>die Stufen des Gangs</translation>
</message>
<message id="add recordings, add a folder">
<source>add recordings, add a folder</source>
<translation>Aufnahmen hinzufügen, einen Ordner hinzufügen</translation>
</message>
<message id="split the reel">
<source>split the reel</source>
<translation>die Rolle trennen</translation>
</message>
<message id="clean its voice in one go, and deliver it">
<source>clean its voice in one go, and deliver it</source>
<translation>ihre Stimme in einem Zug säubern und ausliefern</translation>
</message>
<message id="export its stems">
<source>export its stems</source>
<translation>ihre Stems ausgeben</translation>
</message>
<message id="show or hide the meters">
<source>show or hide the meters</source>
<translation>die Anzeigen zeigen oder verbergen</translation>
</message>
<message id="the picture, the lanes in a window of their own, and back">
<source>the picture, the lanes in a window of their own, and back</source>
<translation>das Bild, die Spuren in einem eigenen Fenster, und zurück</translation>
</message>
<message id="undo, redo">
<source>undo, redo</source>
<translation>zurück, wieder</translation>
</message>
<message id="do what the line at the foot proposes">
<source>do what the line at the foot proposes</source>
<translation>tun, was die Zeile am Fuß vorschlägt</translation>
</message>
<message id="Tab, Return">
<source>Tab, Return</source>
<translation>Tab, Return</translation>
</message>
<message id="move between controls, press a button">
<source>move between controls, press a button</source>
<translation>zwischen Reglern wechseln, einen Knopf drücken</translation>
</message>
<message id="dismiss a message">
<source>dismiss a message</source>
<translation>eine Meldung abtun</translation>
</message>
<message id="Take this message away (Esc)">
<source>Take this message away (Esc)</source>
<translation>Diese Meldung wegnehmen (Esc)</translation>
</message>
<message id="What would usually be done now (Return); View, Propose the next step switches this off">
<source>What would usually be done now (Return); View, Propose the next step switches this off</source>
<translation>Was jetzt üblicherweise käme (Return); Ansicht, Den nächsten Schritt vorschlagen schaltet es ab</translation>
</message>
<message id="Sound: %1. All work stays on this machine.">
<source>Sound: %1. All work stays on this machine.</source>
<translation>Ton: %1. Alle Arbeit bleibt auf diesem Rechner.</translation>
</message>
<message id=" · %1 more waiting">
<source> · %1 more waiting</source>
<translation> · %1 weitere warten</translation>
</message>
<message id="&quot;%1&quot; %2">
<source>&quot;%1&quot; %2</source>
<translation>„%1“ %2</translation>
</message>
<message id="%1: %2">
<source>%1: %2</source>
<translation>%1: %2</translation>
</message>
<message id="%1, %2">
<source>%1, %2</source>
<translation>%1, %2</translation>
</message>
<message id="Ls">
<source>Ls</source>
<translation>Ls</translation>
</message>
<message id="Rs">
<source>Rs</source>
<translation>Rs</translation>
</message>
<message id="Lb">
<source>Lb</source>
<translation>Lb</translation>
</message>
<message id="Rb">
<source>Rb</source>
<translation>Rb</translation>
</message>
<message id="Converting the sample rate failed: ">
<source>Converting the sample rate failed: </source>
<translation>Die Abtastrate ließ sich nicht umrechnen: </translation>
</message>
<message id="Converting the sample rate failed: %1.">
<source>Converting the sample rate failed: %1.</source>
<translation>Die Abtastrate ließ sich nicht umrechnen: %1.</translation>
</message>
<message id="The sample rate cannot be converted: ">
<source>The sample rate cannot be converted: </source>
<translation>Die Abtastrate lässt sich nicht umrechnen: </translation>
</message>
<message id="The sample rate cannot be converted: %1.">
<source>The sample rate cannot be converted: %1.</source>
<translation>Die Abtastrate lässt sich nicht umrechnen: %1.</translation>
</message>
<message id="the mix&apos;s own">
<source>the mix&apos;s own</source>
<translation>die des Mix</translation>
</message>
<message id="AmbiX, first order">
<source>AmbiX, first order</source>
<translation>AmbiX, erste Ordnung</translation>
</message>
<message id="two ears (headphones)">
<source>two ears (headphones)</source>
<translation>zwei Ohren (Kopfhörer)</translation>
</message>
<message id="&quot;%1&quot; cannot be started: close some programs, or give fewer --jobs.">
<source>&quot;%1&quot; cannot be started: close some programs, or give fewer --jobs.</source>
<translation>„%1“ lässt sich nicht starten: einige Programme schließen, oder weniger --jobs geben.</translation>
</message>
<message id="The program that %1 is missing: install Rivlen again, or run ./rivlen build.">
<source>The program that %1 is missing: install Rivlen again, or run ./rivlen build.</source>
<translation>Das Programm, das %1, fehlt: Rivlen neu installieren, oder ./rivlen build ausführen.</translation>
</message>
<message id="The program that %1 cannot be started: close some programs and try again.">
<source>The program that %1 cannot be started: close some programs and try again.</source>
<translation>Das Programm, das %1, lässt sich nicht starten: einige Programme schließen und noch einmal versuchen.</translation>
</message>
<message id="a number is out of range">
<source>a number is out of range</source>
<translation>eine Zahl liegt außerhalb des Bereichs</translation>
</message>
<message id="it is nested too deeply">
<source>it is nested too deeply</source>
<translation>es ist zu tief geschachtelt</translation>
</message>
<message id="it is no JSON from byte %1 on">
<source>it is no JSON from byte %1 on</source>
<translation>ab Byte %1 ist es kein JSON</translation>
</message>
<message id="a field holds another kind of value than it should">
<source>a field holds another kind of value than it should</source>
<translation>ein Feld enthält eine andere Art von Wert, als es sollte</translation>
</message>
<message id="a field stands where a list or an object should">
<source>a field stands where a list or an object should</source>
<translation>ein Feld steht, wo eine Liste oder ein Objekt stehen sollte</translation>
</message>
<message id="a list is shorter than it should be">
<source>a list is shorter than it should be</source>
<translation>eine Liste ist kürzer, als sie sein sollte</translation>
</message>
<message id="the field &quot;%1&quot; is missing">
<source>the field &quot;%1&quot; is missing</source>
<translation>das Feld „%1“ fehlt</translation>
</message>
<message id="a number in it is out of range">
<source>a number in it is out of range</source>
<translation>eine Zahl darin liegt außerhalb des Bereichs</translation>
</message>
<message id="a field is not as it should be">
<source>a field is not as it should be</source>
<translation>ein Feld ist nicht, wie es sein sollte</translation>
</message>
<message id="%1 to %2%3%4.">
<source>%1 to %2%3%4.</source>
<translation>%1 bis %2%3%4.</translation>
</message>
<message id="&quot;%1&quot; is not a value for %2: give %3">
<source>&quot;%1&quot; is not a value for %2: give %3</source>
<translation>„%1“ ist kein Wert für %2: angeben: %3</translation>
</message>
<message id="The setting ">
<source>The setting </source>
<translation>Die Einstellung </translation>
</message>
<message id="The setting %1 is out of range: %2 is not %3 to %4.">
<source>The setting %1 is out of range: %2 is not %3 to %4.</source>
<translation>Die Einstellung %1 liegt außerhalb des Bereichs: %2 ist nicht %3 bis %4.</translation>
</message>
<message id="Cancelled; nothing was changed.">
<source>Cancelled; nothing was changed.</source>
<translation>Abgebrochen; nichts wurde geändert.</translation>
</message>
<message id="its name is longer than this file system allows: shorten it.">
<source>its name is longer than this file system allows: shorten it.</source>
<translation>sein Name ist länger, als dieses Dateisystem erlaubt: kürzen.</translation>
</message>
<message id="its symbolic links lead in a circle: name the file itself.">
<source>its symbolic links lead in a circle: name the file itself.</source>
<translation>seine Verweise führen im Kreis: die Datei selbst nennen.</translation>
</message>
<message id="you may not do that there: change its permissions, or choose another folder.">
<source>you may not do that there: change its permissions, or choose another folder.</source>
<translation>das ist dort nicht erlaubt: die Rechte ändern, oder einen anderen Ordner wählen.</translation>
</message>
<message id="the disk is full: free some space and start again.">
<source>the disk is full: free some space and start again.</source>
<translation>der Datenträger ist voll: Platz schaffen und neu beginnen.</translation>
</message>
<message id="the disk is read-only: choose another one.">
<source>the disk is read-only: choose another one.</source>
<translation>der Datenträger ist schreibgeschützt: einen anderen wählen.</translation>
</message>
<message id="a part of its path is a file, not a folder: check the path.">
<source>a part of its path is a file, not a folder: check the path.</source>
<translation>ein Teil seines Pfades ist eine Datei, kein Ordner: den Pfad prüfen.</translation>
</message>
<message id="it is not there: check the path.">
<source>it is not there: check the path.</source>
<translation>es ist nicht da: den Pfad prüfen.</translation>
</message>
<message id="the disk reports an error: check it, or use another one.">
<source>the disk reports an error: check it, or use another one.</source>
<translation>der Datenträger meldet einen Fehler: ihn prüfen, oder einen anderen nehmen.</translation>
</message>
<message id="the file system refuses it: check the path and the disk.">
<source>the file system refuses it: check the path and the disk.</source>
<translation>das Dateisystem weigert sich: Pfad und Datenträger prüfen.</translation>
</message>
<message id="There is not enough memory for %1: close other programs, or work on a shorter span.%2">
<source>There is not enough memory for %1: close other programs, or work on a shorter span.%2</source>
<translation>Der Speicher reicht nicht für %1: andere Programme schließen, oder an einem kürzeren Stück arbeiten.%2</translation>
</message>
<message id="&quot;%1&quot; cannot be used: %2%3">
<source>&quot;%1&quot; cannot be used: %2%3</source>
<translation>„%1“ lässt sich nicht verwenden: %2%3</translation>
</message>
<message id="Something went wrong inside Rivlen while %1; nothing was damaged. Try once more; if it happens again, RIVLEN_DEBUG=1 in the environment adds what a report needs.%2">
<source>Something went wrong inside Rivlen while %1; nothing was damaged. Try once more; if it happens again, RIVLEN_DEBUG=1 in the environment adds what a report needs.%2</source>
<translation>In Rivlen ging etwas schief während: %1; nichts ist beschädigt. Noch einmal versuchen; geschieht es wieder, fügt RIVLEN_DEBUG=1 in der Umgebung hinzu, was ein Bericht braucht.%2</translation>
</message>
<message id="Full mix">
<source>Full mix</source>
<translation>Ganzer Mix</translation>
</message>
<message id="All lanes, through the chain of the mix.">
<source>All lanes, through the chain of the mix.</source>
<translation>Alle Spuren, durch die Kette des Mix.</translation>
</message>
<message id="Everything but the dialogue, for another language.">
<source>Everything but the dialogue, for another language.</source>
<translation>Alles außer dem Dialog, für eine andere Sprache.</translation>
</message>
<message id="The lanes of the dialogue alone.">
<source>The lanes of the dialogue alone.</source>
<translation>Die Spuren des Dialogs allein.</translation>
</message>
<message id="The lanes of the music alone.">
<source>The lanes of the music alone.</source>
<translation>Die Spuren der Musik allein.</translation>
</message>
<message id="Ambience and effects">
<source>Ambience and effects</source>
<translation>Atmo und Effekte</translation>
</message>
<message id="The lanes of the ambience and added sounds.">
<source>The lanes of the ambience and added sounds.</source>
<translation>Die Spuren der Atmo und hinzugefügte Klänge.</translation>
</message>
<message id="Mix without music">
<source>Mix without music</source>
<translation>Mix ohne Musik</translation>
</message>
<message id="Dialogue, ambience and effects, through the chain of the mix.">
<source>Dialogue, ambience and effects, through the chain of the mix.</source>
<translation>Dialog, Atmo und Effekte, durch die Kette des Mix.</translation>
</message>
<message id="Mix without dialogue">
<source>Mix without dialogue</source>
<translation>Mix ohne Dialog</translation>
</message>
<message id="Music, ambience and effects, through the chain of the mix.">
<source>Music, ambience and effects, through the chain of the mix.</source>
<translation>Musik, Atmo und Effekte, durch die Kette des Mix.</translation>
</message>
<message id="The music without the voice over it and, where it is taken apart, without its singing, through the chain of the mix; nothing is ducked, since nobody speaks.">
<source>The music without the voice over it and, where it is taken apart, without its singing, through the chain of the mix; nothing is ducked, since nobody speaks.</source>
<translation>Die Musik ohne die Stimme darüber und, wo sie zerlegt ist, ohne ihren Gesang, durch die Kette des Mix; nichts wird abgesenkt, denn niemand spricht.</translation>
</message>
<message id="Music without drums">
<source>Music without drums</source>
<translation>Musik ohne Schlagzeug</translation>
</message>
<message id="The music but for its drums, to lie under a voice.">
<source>The music but for its drums, to lie under a voice.</source>
<translation>Die Musik ohne ihr Schlagzeug, um unter einer Stimme zu liegen.</translation>
</message>
<message id="Vocals">
<source>Vocals</source>
<translation>Gesang</translation>
</message>
<message id="The singing in the music alone.">
<source>The singing in the music alone.</source>
<translation>Nur der Gesang in der Musik.</translation>
</message>
<message id="Drums">
<source>Drums</source>
<translation>Schlagzeug</translation>
</message>
<message id="The drums of the music alone.">
<source>The drums of the music alone.</source>
<translation>Nur das Schlagzeug der Musik.</translation>
</message>
<message id="Bass">
<source>Bass</source>
<translation>Bass</translation>
</message>
<message id="The bass of the music alone.">
<source>The bass of the music alone.</source>
<translation>Nur der Bass der Musik.</translation>
</message>
<message id="Guitar">
<source>Guitar</source>
<translation>Gitarre</translation>
</message>
<message id="The guitars of the music alone.">
<source>The guitars of the music alone.</source>
<translation>Nur die Gitarren der Musik.</translation>
</message>
<message id="Other instruments">
<source>Other instruments</source>
<translation>Andere Instrumente</translation>
</message>
<message id="What else plays in the music.">
<source>What else plays in the music.</source>
<translation>Was sonst in der Musik spielt.</translation>
</message>
<message id="Events">
<source>Events</source>
<translation>Ereignisse</translation>
</message>
<message id="What distracts in the surroundings: knocks, steps, barks.">
<source>What distracts in the surroundings: knocks, steps, barks.</source>
<translation>Was in der Umgebung ablenkt: Klopfen, Schritte, Bellen.</translation>
</message>
<message id="Bed">
<source>Bed</source>
<translation>Grund</translation>
</message>
<message id="What goes on in the surroundings and tells where we are.">
<source>What goes on in the surroundings and tells where we are.</source>
<translation>Was in der Umgebung weitergeht und sagt, wo wir sind.</translation>
</message>
<message id="Ogg Vorbis">
<source>Ogg Vorbis</source>
<translation>Ogg Vorbis</translation>
</message>
<message id="Ogg Opus">
<source>Ogg Opus</source>
<translation>Ogg Opus</translation>
</message>
<message id="Picture, MP4 with AAC">
<source>Picture, MP4 with AAC</source>
<translation>Bild, MP4 mit AAC</translation>
</message>
<message id="Picture, MOV with PCM">
<source>Picture, MOV with PCM</source>
<translation>Bild, MOV mit PCM</translation>
</message>
<message id="ADM BWF, bed and objects">
<source>ADM BWF, bed and objects</source>
<translation>ADM BWF, Bett und Objekte</translation>
</message>
<message id="Picture, MKV with PCM">
<source>Picture, MKV with PCM</source>
<translation>Bild, MKV mit PCM</translation>
</message>
<message id="As the preset &quot;Natural playback&quot;: what surrounds the voice is some 9 dB down (common practice: 60 to 70 % isolation).">
<source>As the preset &quot;Natural playback&quot;: what surrounds the voice is some 9 dB down (common practice: 60 to 70 % isolation).</source>
<translation>Wie die Vorgabe „Natural playback“: was die Stimme umgibt, liegt etwa 9 dB tiefer (übliche Praxis: 60 bis 70 % Freistellung).</translation>
</message>
<message id="fully isolated">
<source>fully isolated</source>
<translation>ganz freigestellt</translation>
</message>
<message id="Full depth: nothing of the rest is left.">
<source>Full depth: nothing of the rest is left.</source>
<translation>Volle Tiefe: vom Rest bleibt nichts.</translation>
</message>
<message id="The deliverable &quot;%1&quot; %2">
<source>The deliverable &quot;%1&quot; %2</source>
<translation>Die Lieferung „%1“ %2</translation>
</message>
<message id="holds &quot;%1&quot;, which is not known here.">
<source>holds &quot;%1&quot;, which is not known here.</source>
<translation>enthält „%1“, das hier nicht bekannt ist.</translation>
</message>
<message id="asks for the strength &quot;%1&quot;, which is not known here.">
<source>asks for the strength &quot;%1&quot;, which is not known here.</source>
<translation>verlangt die Stärke „%1“, die hier nicht bekannt ist.</translation>
</message>
<message id="asks for the format &quot;%1&quot;, which is not known here.">
<source>asks for the format &quot;%1&quot;, which is not known here.</source>
<translation>verlangt das Format „%1“, das hier nicht bekannt ist.</translation>
</message>
<message id="asks for the dither &quot;%1&quot;, which is not known here.">
<source>asks for the dither &quot;%1&quot;, which is not known here.</source>
<translation>verlangt den Dither „%1“, der hier nicht bekannt ist.</translation>
</message>
<message id="asks for the layout &quot;%1&quot;, which is not known here.">
<source>asks for the layout &quot;%1&quot;, which is not known here.</source>
<translation>verlangt die Anordnung „%1“, die hier nicht bekannt ist.</translation>
</message>
<message id="has a language that is not three small letters, as &quot;eng&quot; (ISO 639-2).">
<source>has a language that is not three small letters, as &quot;eng&quot; (ISO 639-2).</source>
<translation>hat eine Sprache, die nicht aus drei kleinen Buchstaben besteht, wie „eng“ (ISO 639-2).</translation>
</message>
<message id="has no name.">
<source>has no name.</source>
<translation>hat keinen Namen.</translation>
</message>
<message id="asks for %1 bits: 16, 24 and 32 (float) are known.">
<source>asks for %1 bits: 16, 24 and 32 (float) are known.</source>
<translation>verlangt %1 Bit: 16, 24 und 32 (Gleitkomma) sind bekannt.</translation>
</message>
<message id="asks for a sample rate out of range.">
<source>asks for a sample rate out of range.</source>
<translation>verlangt eine Abtastrate außerhalb des Bereichs.</translation>
</message>
<message id="asks for a loudness out of range: -60 to 0 LUFS.">
<source>asks for a loudness out of range: -60 to 0 LUFS.</source>
<translation>verlangt eine Lautheit außerhalb des Bereichs: -60 bis 0 LUFS.</translation>
</message>
<message id="has a ceiling or tolerance out of range.">
<source>has a ceiling or tolerance out of range.</source>
<translation>hat eine Obergrenze oder Toleranz außerhalb des Bereichs.</translation>
</message>
<message id="has a span that ends before it begins.">
<source>has a span that ends before it begins.</source>
<translation>hat ein Stück, das endet, bevor es beginnt.</translation>
</message>
<message id="%1 frames, %2 expected">
<source>%1 frames, %2 expected</source>
<translation>%1 Samples, %2 erwartet</translation>
</message>
<message id="rate and channels">
<source>rate and channels</source>
<translation>Rate und Kanäle</translation>
</message>
<message id="%1 Hz, %2 channels">
<source>%1 Hz, %2 channels</source>
<translation>%1 Hz, %2 Kanäle</translation>
</message>
<message id="channel order">
<source>channel order</source>
<translation>Ordnung der Kanäle</translation>
</message>
<message id="the file calls its channels %1">
<source>the file calls its channels %1</source>
<translation>die Datei nennt ihre Kanäle %1</translation>
</message>
<message id="not silent">
<source>not silent</source>
<translation>nicht still</translation>
</message>
<message id="peak %1 dBFS">
<source>peak %1 dBFS</source>
<translation>Spitze %1 dBFS</translation>
</message>
<message id="no clipping">
<source>no clipping</source>
<translation>keine Übersteuerung</translation>
</message>
<message id="peak %1 dBFS%2">
<source>peak %1 dBFS%2</source>
<translation>Spitze %1 dBFS%2</translation>
</message>
<message id=": over full scale; give it a loudness with a ceiling, or 32-bit float">
<source>: over full scale; give it a loudness with a ceiling, or 32-bit float</source>
<translation>: über Vollaussteuerung; eine Lautheit mit Obergrenze geben, oder 32 Bit Gleitkomma</translation>
</message>
<message id="no DC">
<source>no DC</source>
<translation>kein Gleichanteil</translation>
</message>
<message id=": the sides cancel in mono">
<source>: the sides cancel in mono</source>
<translation>: die Seiten löschen sich in Mono aus</translation>
</message>
<message id="%1 LUFS%2, %3 within %4 wanted">
<source>%1 LUFS%2, %3 within %4 wanted</source>
<translation>%1 LUFS%2, %3 mit höchstens %4 Abweichung verlangt</translation>
</message>
<message id=" where somebody speaks">
<source> where somebody speaks</source>
<translation> wo jemand spricht</translation>
</message>
<message id="; %1 s of speech">
<source>; %1 s of speech</source>
<translation>; %1 s Sprache</translation>
</message>
<message id="; hardly anybody speaks, so the whole counts">
<source>; hardly anybody speaks, so the whole counts</source>
<translation>; kaum jemand spricht, darum zählt das Ganze</translation>
</message>
<message id="true peak">
<source>true peak</source>
<translation>True Peak</translation>
</message>
<message id="%1 dBTP, at most %2 wanted">
<source>%1 dBTP, at most %2 wanted</source>
<translation>%1 dBTP, höchstens %2 verlangt</translation>
</message>
<message id="read again">
<source>read again</source>
<translation>zurückgelesen</translation>
</message>
<message id="every sample as it was stored, in its place">
<source>every sample as it was stored, in its place</source>
<translation>jedes Sample, wie es gespeichert wurde, an seinem Platz</translation>
</message>
<message id="samples differ from what was stored: the disk may be failing; choose another one">
<source>samples differ from what was stored: the disk may be failing; choose another one</source>
<translation>Samples weichen von dem ab, was gespeichert wurde: der Datenträger versagt vielleicht; einen anderen wählen</translation>
</message>
<message id="nothing loud enough to tell">
<source>nothing loud enough to tell</source>
<translation>nichts laut genug dafür</translation>
</message>
<message id="%1 ms at beginning, middle and end">
<source>%1 ms at beginning, middle and end</source>
<translation>%1 ms am Anfang, in der Mitte und am Ende</translation>
</message>
<message id="begins at %1 s after midnight, %2 expected">
<source>begins at %1 s after midnight, %2 expected</source>
<translation>beginnt %1 s nach Mitternacht, %2 erwartet</translation>
</message>
<message id="the file does not say when it begins">
<source>the file does not say when it begins</source>
<translation>die Datei sagt nicht, wann sie beginnt</translation>
</message>
<message id="%1 packets, MD5 ">
<source>%1 packets, MD5 </source>
<translation>%1 Pakete, MD5 </translation>
</message>
<message id="its packets are not those of the recording: choose a container of the same family">
<source>its packets are not those of the recording: choose a container of the same family</source>
<translation>ihre Pakete sind nicht die der Aufnahme: einen Container derselben Familie wählen</translation>
</message>
<message id="the sound begins %1 ms off where it belongs to the picture">
<source>the sound begins %1 ms off where it belongs to the picture</source>
<translation>der Ton beginnt %1 ms neben seinem Platz zum Bild</translation>
</message>
<message id="The report &quot;%1&quot; cannot be written: check that the folder may be written to and has space.">
<source>The report &quot;%1&quot; cannot be written: check that the folder may be written to and has space.</source>
<translation>Der Bericht „%1“ lässt sich nicht schreiben: prüfen, ob in den Ordner geschrieben werden darf und Platz ist.</translation>
</message>
<message id="the session&apos;s name">
<source>the session&apos;s name</source>
<translation>der Name der Sitzung</translation>
</message>
<message id="the reel&apos;s name">
<source>the reel&apos;s name</source>
<translation>der Name der Rolle</translation>
</message>
<message id="the deliverable&apos;s name">
<source>the deliverable&apos;s name</source>
<translation>der Name der Lieferung</translation>
</message>
<message id="what it holds">
<source>what it holds</source>
<translation>was sie enthält</translation>
</message>
<message id="today, as 2026-11-25">
<source>today, as 2026-11-25</source>
<translation>heute, als 2026-11-25</translation>
</message>
<message id="The name &quot;%1&quot; opens a brace that it does not close.">
<source>The name &quot;%1&quot; opens a brace that it does not close.</source>
<translation>Der Name „%1“ öffnet eine Klammer, die er nicht schließt.</translation>
</message>
<message id="as is">
<source>as is</source>
<translation>wie sie ist</translation>
</message>
<message id="The name &quot;%1&quot; uses {%2}, which does not stand for anything.">
<source>The name &quot;%1&quot; uses {%2}, which does not stand for anything.</source>
<translation>Der Name „%1“ benutzt {%2}, das für nichts steht.</translation>
</message>
<message id="The name pattern of &quot;%1&quot; makes an empty name: give it some text or a token.">
<source>The name pattern of &quot;%1&quot; makes an empty name: give it some text or a token.</source>
<translation>Das Namensmuster von „%1“ ergibt einen leeren Namen: Text oder einen Platzhalter geben.</translation>
</message>
<message id="32-bit float, ">
<source>32-bit float, </source>
<translation>32 Bit Gleitkomma, </translation>
</message>
<message id="24 bit, ">
<source>24 bit, </source>
<translation>24 Bit, </translation>
</message>
<message id="16 bit, ">
<source>16 bit, </source>
<translation>16 Bit, </translation>
</message>
<message id="%1, %2%3 Hz">
<source>%1, %2%3 Hz</source>
<translation>%1, %2%3 Hz</translation>
</message>
<message id="%1, %2%3 Hz, ">
<source>%1, %2%3 Hz, </source>
<translation>%1, %2%3 Hz, </translation>
</message>
<message id=" in mono files">
<source> in mono files</source>
<translation> in Mono-Dateien</translation>
</message>
<message id="&quot;%1&quot; is already there: choose another folder or name, or allow overwriting.">
<source>&quot;%1&quot; is already there: choose another folder or name, or allow overwriting.</source>
<translation>„%1“ gibt es schon: einen anderen Ordner oder Namen wählen, oder Überschreiben erlauben.</translation>
</message>
<message id="&quot;%1&quot; asks for the picture of %2, which has none: choose a sound format for it, or take it out for this reel.">
<source>&quot;%1&quot; asks for the picture of %2, which has none: choose a sound format for it, or take it out for this reel.</source>
<translation>„%1“ verlangt das Bild von %2, die keines hat: ein Tonformat wählen, oder sie für diese Rolle weglassen.</translation>
</message>
<message id="&quot;%1&quot; is a picture, which is delivered whole: take its span away.">
<source>&quot;%1&quot; is a picture, which is delivered whole: take its span away.</source>
<translation>„%1“ ist ein Bild, das ganz ausgeliefert wird: das Stück wegnehmen.</translation>
</message>
<message id="&quot;%1&quot; is an ADM file, which has the mix&apos;s own bed: set its layout to the mix&apos;s own.">
<source>&quot;%1&quot; is an ADM file, which has the mix&apos;s own bed: set its layout to the mix&apos;s own.</source>
<translation>„%1“ ist eine ADM-Datei, die das eigene Bett des Mix hat: als Anordnung die des Mix setzen.</translation>
</message>
<message id="The span of &quot;%1&quot; lies behind the end of %2: give it another one.">
<source>The span of &quot;%1&quot; lies behind the end of %2: give it another one.</source>
<translation>Das Stück von „%1“ liegt hinter dem Ende von %2: ein anderes geben.</translation>
</message>
<message id=", %1%2 object%3">
<source>, %1%2 object%3</source>
<translation>, %1%2 Objekt(e)%3</translation>
</message>
<message id="a bed of %1 and ">
<source>a bed of %1 and </source>
<translation>ein Bett aus %1 und </translation>
</message>
<message id="&quot;%1&quot; cannot get its name: %2.">
<source>&quot;%1&quot; cannot get its name: %2.</source>
<translation>„%1“ kann seinen Namen nicht bekommen: %2.</translation>
</message>
<message id="Broadcast, EBU R 128">
<source>Broadcast, EBU R 128</source>
<translation>Rundfunk, EBU R 128</translation>
</message>
<message id="-23.0 LUFS within 0.5 LU, at most -1 dBTP (EBU R 128), M&amp;E and stems">
<source>-23.0 LUFS within 0.5 LU, at most -1 dBTP (EBU R 128), M&amp;E and stems</source>
<translation>-23,0 LUFS mit höchstens 0,5 LU Abweichung, höchstens -1 dBTP (EBU R 128), IT-Fassung und Stems</translation>
</message>
<message id="Broadcast, ATSC A/85">
<source>Broadcast, ATSC A/85</source>
<translation>Rundfunk, ATSC A/85</translation>
</message>
<message id="-24 LKFS within 2 dB, at most -2 dBTP (ATSC A/85), measured where somebody speaks, M&amp;E and stems">
<source>-24 LKFS within 2 dB, at most -2 dBTP (ATSC A/85), measured where somebody speaks, M&amp;E and stems</source>
<translation>-24 LKFS mit höchstens 2 dB Abweichung, höchstens -2 dBTP (ATSC A/85), gemessen, wo jemand spricht, IT-Fassung und Stems</translation>
</message>
<message id="Streaming, series and films">
<source>Streaming, series and films</source>
<translation>Streaming, Serien und Filme</translation>
</message>
<message id="-27 LUFS within 2 LU where somebody speaks, at most -2 dBTP (common practice of some services), M&amp;E and stems">
<source>-27 LUFS within 2 LU where somebody speaks, at most -2 dBTP (common practice of some services), M&amp;E and stems</source>
<translation>-27 LUFS mit höchstens 2 LU Abweichung, wo jemand spricht, höchstens -2 dBTP (übliche Praxis einiger Dienste), IT-Fassung und Stems</translation>
</message>
<message id="Streaming, speech">
<source>Streaming, speech</source>
<translation>Streaming, Sprache</translation>
</message>
<message id="-18 LUFS within 1 LU, at most -1 dBTP (AES TD1008 for speech, from memory)">
<source>-18 LUFS within 1 LU, at most -1 dBTP (AES TD1008 for speech, from memory)</source>
<translation>-18 LUFS mit höchstens 1 LU Abweichung, höchstens -1 dBTP (AES TD1008 für Sprache, aus dem Gedächtnis)</translation>
</message>
<message id="Web and podcast">
<source>Web and podcast</source>
<translation>Web und Podcast</translation>
</message>
<message id="-16 LUFS, at most -1 dBTP (common practice); a FLAC, and an MP3 and an AAC to listen to">
<source>-16 LUFS, at most -1 dBTP (common practice); a FLAC, and an MP3 and an AAC to listen to</source>
<translation>-16 LUFS, höchstens -1 dBTP (übliche Praxis); ein FLAC, und ein MP3 und ein AAC zum Anhören</translation>
</message>
<message id="listening copy">
<source>listening copy</source>
<translation>Hörkopie</translation>
</message>
<message id="phone copy">
<source>phone copy</source>
<translation>Kopie fürs Telefon</translation>
</message>
<message id="Picture with its new sound">
<source>Picture with its new sound</source>
<translation>Bild mit seinem neuen Ton</translation>
</message>
<message id="the reel&apos;s picture as it is, with the mix at -23.0 LUFS and at most -1 dBTP (EBU R 128), its own sound as a second track">
<source>the reel&apos;s picture as it is, with the mix at -23.0 LUFS and at most -1 dBTP (EBU R 128), its own sound as a second track</source>
<translation>das Bild der Rolle, wie es ist, mit dem Mix bei -23,0 LUFS und höchstens -1 dBTP (EBU R 128), sein eigener Ton als zweite Spur</translation>
</message>
<message id="Natural and isolated">
<source>Natural and isolated</source>
<translation>Natürlich und freigestellt</translation>
</message>
<message id="the dialogue twice: with some of its surroundings, and with nothing of them">
<source>the dialogue twice: with some of its surroundings, and with nothing of them</source>
<translation>der Dialog zweimal: mit etwas von seiner Umgebung, und mit nichts von ihr</translation>
</message>
<message id="Music library">
<source>Music library</source>
<translation>Musikarchiv</translation>
</message>
<message id="full mix, mix without dialogue, instrumental and music, as they are">
<source>full mix, mix without dialogue, instrumental and music, as they are</source>
<translation>ganzer Mix, Mix ohne Dialog, ohne Gesang und Musik, wie sie sind</translation>
</message>
<message id="without dialogue">
<source>without dialogue</source>
<translation>ohne Dialog</translation>
</message>
<message id="Parts of the music">
<source>Parts of the music</source>
<translation>Teile der Musik</translation>
</message>
<message id="the instrumental, the music without drums, and each part; the music must be taken apart">
<source>the instrumental, the music without drums, and each part; the music must be taken apart</source>
<translation>die Musik ohne Gesang, ohne Schlagzeug, und jeder Teil; die Musik muss zerlegt sein</translation>
</message>
<message id="music without drums">
<source>music without drums</source>
<translation>Musik ohne Schlagzeug</translation>
</message>
<message id="other instruments">
<source>other instruments</source>
<translation>andere Instrumente</translation>
</message>
<message id="The set cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.">
<source>The set cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.</source>
<translation>Der Satz lässt sich nicht nach „%1“ schreiben: prüfen, ob in den Ordner geschrieben werden darf und Platz ist.</translation>
</message>
<message id="The set &quot;%1&quot; cannot be read: %2">
<source>The set &quot;%1&quot; cannot be read: %2</source>
<translation>Der Satz „%1“ lässt sich nicht lesen: %2</translation>
</message>
<message id="it is no set of deliverables; choose another file.">
<source>it is no set of deliverables; choose another file.</source>
<translation>es ist kein Satz von Lieferungen; eine andere Datei wählen.</translation>
</message>
<message id="it was written by a newer version; update Rivlen.">
<source>it was written by a newer version; update Rivlen.</source>
<translation>er wurde von einer neueren Fassung geschrieben; Rivlen erneuern.</translation>
</message>
<message id="two of its deliverables are called &quot;%1&quot;.">
<source>two of its deliverables are called &quot;%1&quot;.</source>
<translation>zwei seiner Lieferungen heißen „%1“.</translation>
</message>
<message id="it has no deliverables.">
<source>it has no deliverables.</source>
<translation>er hat keine Lieferungen.</translation>
</message>
<message id="it is damaged; take an older copy.">
<source>it is damaged; take an older copy.</source>
<translation>er ist beschädigt; eine ältere Kopie nehmen.</translation>
</message>
<message id="The set &quot;%1&quot; cannot be opened: check the path.">
<source>The set &quot;%1&quot; cannot be opened: check the path.</source>
<translation>Der Satz „%1“ lässt sich nicht öffnen: den Pfad prüfen.</translation>
</message>
<message id="A set needs a name: type one.">
<source>A set needs a name: type one.</source>
<translation>Ein Satz braucht einen Namen: einen eingeben.</translation>
</message>
<message id="&quot;%1&quot; came with Rivlen and stays as it is: choose another name.">
<source>&quot;%1&quot; came with Rivlen and stays as it is: choose another name.</source>
<translation>„%1“ kam mit Rivlen und bleibt, wie es ist: einen anderen Namen wählen.</translation>
</message>
<message id=", largest difference %1 dBFS">
<source>, largest difference %1 dBFS</source>
<translation>, größter Unterschied %1 dBFS</translation>
</message>
<message id=" = the mix before its chain">
<source> = the mix before its chain</source>
<translation> = der Mix vor seiner Kette</translation>
</message>
<message id=": a group&apos;s chain works on lanes of several parts at once; give each part a group of its own">
<source>: a group&apos;s chain works on lanes of several parts at once; give each part a group of its own</source>
<translation>: die Kette einer Gruppe wirkt auf Spuren mehrerer Teile zugleich; jedem Teil eine eigene Gruppe geben</translation>
</message>
<message id="&quot;%1&quot; cannot be written to%2: choose another folder, or check its permissions.">
<source>&quot;%1&quot; cannot be written to%2: choose another folder, or check its permissions.</source>
<translation>In „%1“ lässt sich nicht schreiben%2: einen anderen Ordner wählen, oder seine Rechte prüfen.</translation>
</message>
<message id="%1 MB left, and %s needs %2 MB">
<source>%1 MB left, and %s needs %2 MB</source>
<translation>%1 MB übrig, und %%s braucht %2 MB</translation>
</message>
<message id="&quot;%1&quot; has %2 while it is made: free some space or choose another disk.">
<source>&quot;%1&quot; has %2 while it is made: free some space or choose another disk.</source>
<translation>„%1“ hat %2, während es gemacht wird: Platz schaffen oder einen anderen Datenträger wählen.</translation>
</message>
<message id="The network gives no stem &quot;%1&quot;: choose one of its own, or another network.">
<source>The network gives no stem &quot;%1&quot;: choose one of its own, or another network.</source>
<translation>Das Netz gibt keinen Stem „%1“: einen seiner eigenen wählen, oder ein anderes Netz.</translation>
</message>
<message id="Clicks">
<source>Clicks</source>
<translation>Knackser</translation>
</message>
<message id="Single ticks and crackle: a mouse, a mouth, a scratch, a lost sample.">
<source>Single ticks and crackle: a mouse, a mouth, a scratch, a lost sample.</source>
<translation>Einzelne Ticks und Knistern: eine Maus, ein Mund, ein Kratzer, ein verlorenes Sample.</translation>
</message>
<message id="Clipping">
<source>Clipping</source>
<translation>Übersteuerung</translation>
</message>
<message id="The recording was too loud for its converter: peaks are cut flat and sound harsh.">
<source>The recording was too loud for its converter: peaks are cut flat and sound harsh.</source>
<translation>Die Aufnahme war zu laut für ihren Wandler: Spitzen sind flach geschnitten und klingen rau.</translation>
</message>
<message id="Hum">
<source>Hum</source>
<translation>Brummen</translation>
</message>
<message id="A steady tone of 50 or 60 Hz with its harmonics, from the mains.">
<source>A steady tone of 50 or 60 Hz with its harmonics, from the mains.</source>
<translation>Ein gleichmäßiger Ton von 50 oder 60 Hz mit Obertönen, aus dem Netz.</translation>
</message>
<message id="Hiss">
<source>Hiss</source>
<translation>Rauschen</translation>
</message>
<message id="Steady broadband noise under everything, heard in pauses.">
<source>Steady broadband noise under everything, heard in pauses.</source>
<translation>Gleichmäßiges breites Rauschen unter allem, in Pausen zu hören.</translation>
</message>
<message id="Rumble">
<source>Rumble</source>
<translation>Rumpeln</translation>
</message>
<message id="Low noise below the voice: traffic, handling, ventilation.">
<source>Low noise below the voice: traffic, handling, ventilation.</source>
<translation>Tiefes Geräusch unter der Stimme: Verkehr, Griffe, Lüftung.</translation>
</message>
<message id="DC offset">
<source>DC offset</source>
<translation>Gleichanteil</translation>
</message>
<message id="% of full scale">
<source>% of full scale</source>
<translation>% der Vollaussteuerung</translation>
</message>
<message id="The waveform is not centred: cuts click, and loudness is lost.">
<source>The waveform is not centred: cuts click, and loudness is lost.</source>
<translation>Die Wellenform liegt nicht in der Mitte: Schnitte knacken, und Lautheit geht verloren.</translation>
</message>
<message id="Polarity">
<source>Polarity</source>
<translation>Polarität</translation>
</message>
<message id="Left and right work against each other and vanish in mono.">
<source>Left and right work against each other and vanish in mono.</source>
<translation>Links und rechts arbeiten gegeneinander und verschwinden in Mono.</translation>
</message>
<message id="Dead channel">
<source>Dead channel</source>
<translation>Toter Kanal</translation>
</message>
<message id="One channel is silent while another is not.">
<source>One channel is silent while another is not.</source>
<translation>Ein Kanal ist still, während ein anderer es nicht ist.</translation>
</message>
<message id="Dropouts">
<source>Dropouts</source>
<translation>Aussetzer</translation>
</message>
<message id="The sound breaks off for moments.">
<source>The sound breaks off for moments.</source>
<translation>Der Ton bricht für Augenblicke ab.</translation>
</message>
<message id="Silence">
<source>Silence</source>
<translation>Stille</translation>
</message>
<message id="There is nothing in this span.">
<source>There is nothing in this span.</source>
<translation>In diesem Stück ist nichts.</translation>
</message>
<message id="Bandwidth limit">
<source>Bandwidth limit</source>
<translation>Bandgrenze</translation>
</message>
<message id="Hz">
<source>Hz</source>
<translation>Hz</translation>
</message>
<message id="There is nothing above this frequency: a lossy or narrow-band origin.">
<source>There is nothing above this frequency: a lossy or narrow-band origin.</source>
<translation>Über dieser Frequenz ist nichts: eine verlustbehaftete oder schmale Herkunft.</translation>
</message>
<message id="Wind">
<source>Wind</source>
<translation>Wind</translation>
</message>
<message id="Low gusts that beat on the microphone and cover the voice.">
<source>Low gusts that beat on the microphone and cover the voice.</source>
<translation>Tiefe Böen, die auf das Mikrofon schlagen und die Stimme zudecken.</translation>
</message>
<message id="Plosives">
<source>Plosives</source>
<translation>Plosive</translation>
</message>
<message id="Breath of p and b that hits the microphone: a thump under the word.">
<source>Breath of p and b that hits the microphone: a thump under the word.</source>
<translation>Atem von p und b, der das Mikrofon trifft: ein Schlag unter dem Wort.</translation>
</message>
<message id="Sibilance">
<source>Sibilance</source>
<translation>Zischlaute</translation>
</message>
<message id="The s is sharp: it stands out over the vowels.">
<source>The s is sharp: it stands out over the vowels.</source>
<translation>Das s ist scharf: es steht über den Vokalen heraus.</translation>
</message>
<message id="Reverberation">
<source>Reverberation</source>
<translation>Nachhall</translation>
</message>
<message id="The room answers for long and blurs the words.">
<source>The room answers for long and blurs the words.</source>
<translation>Der Raum antwortet lange und verwischt die Wörter.</translation>
</message>
<message id="Music under the voice">
<source>Music under the voice</source>
<translation>Musik unter der Stimme</translation>
</message>
<message id="Somebody speaks over music: Split takes them apart.">
<source>Somebody speaks over music: Split takes them apart.</source>
<translation>Jemand spricht über Musik: Trennen nimmt sie auseinander.</translation>
</message>
<message id="Damaged file">
<source>Damaged file</source>
<translation>Beschädigte Datei</translation>
</message>
<message id="The file cannot be decoded here: silence stands for it, and what follows stays in its place.">
<source>The file cannot be decoded here: silence stands for it, and what follows stays in its place.</source>
<translation>Die Datei lässt sich hier nicht dekodieren: Stille steht dafür, und was folgt, bleibt an seinem Platz.</translation>
</message>
<message id="Gap in the file">
<source>Gap in the file</source>
<translation>Lücke in der Datei</translation>
</message>
<message id="The file&apos;s clock jumps: nothing was recorded here, and silence stands for it.">
<source>The file&apos;s clock jumps: nothing was recorded here, and silence stands for it.</source>
<translation>Die Uhr der Datei springt: hier wurde nichts aufgenommen, und Stille steht dafür.</translation>
</message>
<message id="Samples without a value">
<source>Samples without a value</source>
<translation>Samples ohne Wert</translation>
</message>
<message id="A program wrote infinite values, or such that are no numbers: a straight line is drawn over them.">
<source>A program wrote infinite values, or such that are no numbers: a straight line is drawn over them.</source>
<translation>Ein Programm schrieb unendliche Werte, oder solche, die keine Zahlen sind: eine Gerade überbrückt sie.</translation>
</message>
<message id="Clipping: %1 samples">
<source>Clipping: %1 samples</source>
<translation>Übersteuerung: %1 Samples</translation>
</message>
<message id="Hum: %1 Hz at %2 dBFS, drifts by %3 Hz">
<source>Hum: %1 Hz at %2 dBFS, drifts by %3 Hz</source>
<translation>Brummen: %1 Hz bei %2 dBFS, wandert um %3 Hz</translation>
</message>
<message id="Hum: %1 Hz at %2 dBFS">
<source>Hum: %1 Hz at %2 dBFS</source>
<translation>Brummen: %1 Hz bei %2 dBFS</translation>
</message>
<message id="DC offset: %1 % of full scale">
<source>DC offset: %1 % of full scale</source>
<translation>Gleichanteil: %1 % der Vollaussteuerung</translation>
</message>
<message id="Polarity: left and right correlate by %1">
<source>Polarity: left and right correlate by %1</source>
<translation>Polarität: links und rechts korrelieren mit %1</translation>
</message>
<message id="Channel %1 is dead">
<source>Channel %1 is dead</source>
<translation>Kanal %1 ist tot</translation>
</message>
<message id="Silence: %1 s">
<source>Silence: %1 s</source>
<translation>Stille: %1 s</translation>
</message>
<message id="Dropout: %1 ms">
<source>Dropout: %1 ms</source>
<translation>Aussetzer: %1 ms</translation>
</message>
<message id="Sibilance: s %1 dB above the vowels">
<source>Sibilance: s %1 dB above the vowels</source>
<translation>Zischlaute: s %1 dB über den Vokalen</translation>
</message>
<message id="Reverberation: RT60 %1 s, D/R %2 dB">
<source>Reverberation: RT60 %1 s, D/R %2 dB</source>
<translation>Nachhall: RT60 %1 s, D/R %2 dB</translation>
</message>
<message id="Music under the voice, %1 dB below it">
<source>Music under the voice, %1 dB below it</source>
<translation>Musik unter der Stimme, %1 dB unter ihr</translation>
</message>
<message id="Damaged: %1 ms cannot be decoded">
<source>Damaged: %1 ms cannot be decoded</source>
<translation>Beschädigt: %1 ms lassen sich nicht dekodieren</translation>
</message>
<message id="Gap: nothing was recorded for %1 ms">
<source>Gap: nothing was recorded for %1 ms</source>
<translation>Lücke: %1 ms lang wurde nichts aufgenommen</translation>
</message>
<message id="%1 sample%2 without a value, bridged">
<source>%1 sample%2 without a value, bridged</source>
<translation>%1 Sample(s)%2 ohne Wert, überbrückt</translation>
</message>
<message id="Nothing above %1 kHz">
<source>Nothing above %1 kHz</source>
<translation>Nichts über %1 kHz</translation>
</message>
<message id=", channel %1">
<source>, channel %1</source>
<translation>, Kanal %1</translation>
</message>
<message id="it works from %1 to %2 channels, and this strip has %3">
<source>it works from %1 to %2 channels, and this strip has %3</source>
<translation>er arbeitet von %1 auf %2 Kanäle, und dieser Zug hat %3</translation>
</message>
<message id="it works">
<source>it works</source>
<translation>er arbeitet</translation>
</message>
<message id="runs effects">
<source>runs effects</source>
<translation>Effekte ausführt</translation>
</message>
<message id="The effects of this machine could not be listed: a description of one of them is broken, or takes too long to read. Look at what was installed last.">
<source>The effects of this machine could not be listed: a description of one of them is broken, or takes too long to read. Look at what was installed last.</source>
<translation>Die Effekte dieses Rechners ließen sich nicht auflisten: die Beschreibung eines von ihnen ist kaputt, oder braucht zu lange. Nachsehen, was zuletzt installiert wurde.</translation>
</message>
<message id="The effect &quot;%1&quot; hangs while %2: it is left out. Switch it off, or take it out of the chain.">
<source>The effect &quot;%1&quot; hangs while %2: it is left out. Switch it off, or take it out of the chain.</source>
<translation>Der Effekt „%1“ hängt, während %2: er ist ausgelassen. Ausschalten, oder aus der Kette nehmen.</translation>
</message>
<message id="The effect &quot;%1&quot; %2while %3: it is left out. Switch it off, or take it out of the chain.">
<source>The effect &quot;%1&quot; %2while %3: it is left out. Switch it off, or take it out of the chain.</source>
<translation>Der Effekt „%1“ %2während %3: er ist ausgelassen. Ausschalten, oder aus der Kette nehmen.</translation>
</message>
<message id="crashed (signal %1) ">
<source>crashed (signal %1) </source>
<translation>stürzte ab (Signal %1) </translation>
</message>
<message id="it begins">
<source>it begins</source>
<translation>er beginnt</translation>
</message>
<message id="it says its state">
<source>it says its state</source>
<translation>er seinen Stand sagt</translation>
</message>
<message id="it is described">
<source>it is described</source>
<translation>er beschrieben wird</translation>
</message>
<message id="The effect &quot;%1&quot; cannot be used: %2.">
<source>The effect &quot;%1&quot; cannot be used: %2.</source>
<translation>Der Effekt „%1“ lässt sich nicht verwenden: %2.</translation>
</message>
<message id="An effect&apos;s &quot;%1&quot; is longer than any real one.">
<source>An effect&apos;s &quot;%1&quot; is longer than any real one.</source>
<translation>„%1“ eines Effekts ist länger als jedes echte.</translation>
</message>
<message id="An effect of a chain has no id, no URI, or too many values.">
<source>An effect of a chain has no id, no URI, or too many values.</source>
<translation>Ein Effekt einer Kette hat keine Kennung, keine URI, oder zu viele Werte.</translation>
</message>
<message id="The value of %1 of an effect is not a number.">
<source>The value of %1 of an effect is not a number.</source>
<translation>Der Wert von %1 eines Effekts ist keine Zahl.</translation>
</message>
<message id="The effect &quot;%1&quot; ">
<source>The effect &quot;%1&quot; </source>
<translation>Der Effekt „%1“ </translation>
</message>
<message id="%1cannot be used here: %2.">
<source>%1cannot be used here: %2.</source>
<translation>%1lässt sich hier nicht verwenden: %2.</translation>
</message>
<message id="%1gives samples that are no numbers: it is not let into a chain.">
<source>%1gives samples that are no numbers: it is not let into a chain.</source>
<translation>%1gibt Samples, die keine Zahlen sind: er kommt in keine Kette.</translation>
</message>
<message id="%1gives samples beyond +60 dBFS: it is not let into a chain.">
<source>%1gives samples beyond +60 dBFS: it is not let into a chain.</source>
<translation>%1gibt Samples über +60 dBFS: er kommt in keine Kette.</translation>
</message>
<message id="runs at %1 times real time with some sounds: it is not let into a chain, which could not play.">
<source>runs at %1 times real time with some sounds: it is not let into a chain, which could not play.</source>
<translation>läuft bei manchen Klängen mit dem %1-fachen der Echtzeit: er kommt in keine Kette, die sonst nicht spielen könnte.</translation>
</message>
<message id="The effect &quot;%1&quot; gave samples that are no numbers: it is left out. Switch it off, or take it out of the chain.">
<source>The effect &quot;%1&quot; gave samples that are no numbers: it is left out. Switch it off, or take it out of the chain.</source>
<translation>Der Effekt „%1“ gab Samples, die keine Zahlen sind: er ist ausgelassen. Ausschalten, oder aus der Kette nehmen.</translation>
</message>
<message id="&quot;%1&quot; has %2 channels where %3 were sent: let the cleaner keep them, or give one.">
<source>&quot;%1&quot; has %2 channels where %3 were sent: let the cleaner keep them, or give one.</source>
<translation>„%1“ hat %2 Kanäle, wo %3 geschickt wurden: den Säuberer sie behalten oder einen geben lassen.</translation>
</message>
<message id="Nothing of what was sent is heard in &quot;%1&quot;: see whether it is the answer to &quot;%2&quot;.">
<source>Nothing of what was sent is heard in &quot;%1&quot;: see whether it is the answer to &quot;%2&quot;.</source>
<translation>In „%1“ ist nichts von dem zu hören, was geschickt wurde: nachsehen, ob es die Antwort auf „%2“ ist.</translation>
</message>
<message id="Nothing of the span is in &quot;%1&quot;: send it with longer handles, or take another answer.">
<source>Nothing of the span is in &quot;%1&quot;: send it with longer handles, or take another answer.</source>
<translation>In „%1“ ist nichts von dem Stück: mit längerem Überhang schicken, oder eine andere Antwort nehmen.</translation>
</message>
<message id="From outside">
<source>From outside</source>
<translation>Von außerhalb</translation>
</message>
<message id="is no AES31-3 list: it is empty">
<source>is no AES31-3 list: it is empty</source>
<translation>ist keine AES31-3-Liste: sie ist leer</translation>
</message>
<message id="The list &quot;%1&quot;, line %2, %3: export it again, or mend that line.">
<source>The list &quot;%1&quot;, line %2, %3: export it again, or mend that line.</source>
<translation>Die Liste „%1“, Zeile %2, %3: neu ausgeben, oder diese Zeile richten.</translation>
</message>
<message id="ends too early">
<source>ends too early</source>
<translation>endet zu früh</translation>
</message>
<message id="has &quot;%1&quot; where a number is wanted">
<source>has &quot;%1&quot; where a number is wanted</source>
<translation>hat „%1“, wo eine Zahl stehen sollte</translation>
</message>
<message id="has &quot;%1&quot; where a time is wanted">
<source>has &quot;%1&quot; where a time is wanted</source>
<translation>hat „%1“, wo eine Zeit stehen sollte</translation>
</message>
<message id="has a sample rate of %1">
<source>has a sample rate of %1</source>
<translation>hat eine Abtastrate von %1</translation>
</message>
<message id="The event %1 is no cut and was left out.">
<source>The event %1 is no cut and was left out.</source>
<translation>Das Ereignis %1 ist kein Schnitt und wurde ausgelassen.</translation>
</message>
<message id="plays source %1, which is not in its index">
<source>plays source %1, which is not in its index</source>
<translation>spielt Quelle %1, die nicht in ihrem Verzeichnis steht</translation>
</message>
<message id="ends before it begins">
<source>ends before it begins</source>
<translation>endet, bevor sie beginnt</translation>
</message>
<message id="has %1 without an event before it">
<source>has %1 without an event before it</source>
<translation>hat %1 ohne ein Ereignis davor</translation>
</message>
<message id="is no CMX 3600 list with sound: no event in it plays an audio channel">
<source>is no CMX 3600 list with sound: no event in it plays an audio channel</source>
<translation>ist keine CMX-3600-Liste mit Ton: kein Ereignis darin spielt einen Tonkanal</translation>
</message>
<message id="Events of the picture were left out (%1).">
<source>Events of the picture were left out (%1).</source>
<translation>Ereignisse des Bildes wurden ausgelassen (%1).</translation>
</message>
<message id="has &quot;%1&quot;, which is no timecode at %2 frames a second">
<source>has &quot;%1&quot;, which is no timecode at %2 frames a second</source>
<translation>hat „%1“, das bei %2 Bildern je Sekunde kein Timecode ist</translation>
</message>
<message id="is an event that ends too early">
<source>is an event that ends too early</source>
<translation>ist ein Ereignis, das zu früh endet</translation>
</message>
<message id="has &quot;%1&quot; where a length in frames is wanted">
<source>has &quot;%1&quot; where a length in frames is wanted</source>
<translation>hat „%1“, wo eine Länge in Bildern stehen sollte</translation>
</message>
<message id="has a number that is none">
<source>has a number that is none</source>
<translation>hat eine Zahl, die keine ist</translation>
</message>
<message id="The list &quot;%1&quot; is no file that can be read: check its name, and that it is a list.">
<source>The list &quot;%1&quot; is no file that can be read: check its name, and that it is a list.</source>
<translation>Die Liste „%1“ ist keine lesbare Datei: ihren Namen prüfen, und dass sie eine Liste ist.</translation>
</message>
<message id="The list &quot;%1&quot; cannot be read: check its permissions.">
<source>The list &quot;%1&quot; cannot be read: check its permissions.</source>
<translation>Die Liste „%1“ lässt sich nicht lesen: ihre Rechte prüfen.</translation>
</message>
<message id="The list&apos;s timecodes lie outside of the reel: it was laid in from the reel&apos;s beginning.">
<source>The list&apos;s timecodes lie outside of the reel: it was laid in from the reel&apos;s beginning.</source>
<translation>Die Timecodes der Liste liegen außerhalb der Rolle: sie wurde vom Anfang der Rolle an eingesetzt.</translation>
</message>
<message id="The sound &quot;%1&quot; is not there: put it beside the list and lay it in again.">
<source>The sound &quot;%1&quot; is not there: put it beside the list and lay it in again.</source>
<translation>Der Klang „%1“ ist nicht da: neben die Liste legen und sie noch einmal einsetzen.</translation>
</message>
<message id="Track %1">
<source>Track %1</source>
<translation>Spur %1</translation>
</message>
<message id="begins outside of its sound">
<source>begins outside of its sound</source>
<translation>beginnt außerhalb ihres Klangs</translation>
</message>
<message id="has no length in this reel">
<source>has no length in this reel</source>
<translation>hat in dieser Rolle keine Länge</translation>
</message>
<message id="The event &quot;%1&quot; %2.">
<source>The event &quot;%1&quot; %2.</source>
<translation>Das Ereignis „%1“ %2.</translation>
</message>
<message id="without a name">
<source>without a name</source>
<translation>ohne einen Namen</translation>
</message>
<message id="The list &quot;%1&quot; is of no kind that is known: .otio, .adl, .edl, and .csv or .txt with markers are.">
<source>The list &quot;%1&quot; is of no kind that is known: .otio, .adl, .edl, and .csv or .txt with markers are.</source>
<translation>Die Liste „%1“ ist von keiner bekannten Art: .otio, .adl, .edl, und .csv oder .txt mit Marken sind es.</translation>
</message>
<message id="holds no markers: its first line names no column &quot;name&quot; and no time">
<source>holds no markers: its first line names no column &quot;name&quot; and no time</source>
<translation>enthält keine Marken: ihre erste Zeile nennt keine Spalte „name“ und keine Zeit</translation>
</message>
<message id="names no column &quot;name&quot; and &quot;from_s&quot; (or &quot;time&quot;, &quot;timecode&quot;)">
<source>names no column &quot;name&quot; and &quot;from_s&quot; (or &quot;time&quot;, &quot;timecode&quot;)</source>
<translation>nennt keine Spalte „name“ und „from_s“ (oder „time“, „timecode“)</translation>
</message>
<message id="has %1 fields, fewer than its columns">
<source>has %1 fields, fewer than its columns</source>
<translation>hat %1 Felder, weniger als ihre Spalten</translation>
</message>
<message id="is no JSON from line %1 on">
<source>is no JSON from line %1 on</source>
<translation>ist ab Zeile %1 kein JSON</translation>
</message>
<message id="Timeline">
<source>Timeline</source>
<translation>Timeline</translation>
</message>
<message id="has a value that is no such thing near %1">
<source>has a value that is no such thing near %1</source>
<translation>hat bei %1 einen Wert, der nichts dergleichen ist</translation>
</message>
<message id="The list &quot;%1&quot; %2: export it again, or mend that place.">
<source>The list &quot;%1&quot; %2: export it again, or mend that place.</source>
<translation>Die Liste „%1“ %2: neu ausgeben, oder diese Stelle richten.</translation>
</message>
<message id="has a time without a rate near %1">
<source>has a time without a rate near %1</source>
<translation>hat bei %1 eine Zeit ohne Rate</translation>
</message>
<message id="has a span that ends before it begins near %1">
<source>has a span that ends before it begins near %1</source>
<translation>hat bei %1 ein Stück, das endet, bevor es beginnt</translation>
</message>
<message id="Track">
<source>Track</source>
<translation>Spur</translation>
</message>
<message id="Audio">
<source>Audio</source>
<translation>Ton</translation>
</message>
<message id="Tracks that are not sound were left out.">
<source>Tracks that are not sound were left out.</source>
<translation>Spuren, die kein Ton sind, wurden ausgelassen.</translation>
</message>
<message id="Transition">
<source>Transition</source>
<translation>Übergang</translation>
</message>
<message id="Gap">
<source>Gap</source>
<translation>Lücke</translation>
</message>
<message id="Nested %1 were left out.">
<source>Nested %1 were left out.</source>
<translation>Verschachteltes (%1) wurde ausgelassen.</translation>
</message>
<message id="does not say how long the clip &quot;%1&quot; is">
<source>does not say how long the clip &quot;%1&quot; is</source>
<translation>sagt nicht, wie lang der Clip „%1“ ist</translation>
</message>
<message id="Effects (%1) were left out.">
<source>Effects (%1) were left out.</source>
<translation>Effekte (%1) wurden ausgelassen.</translation>
</message>
<message id="its head">
<source>its head</source>
<translation>ihr Kopf</translation>
</message>
<message id="There is nothing to send between %1 and %2 s: choose a span within the reel.">
<source>There is nothing to send between %1 and %2 s: choose a span within the reel.</source>
<translation>Zwischen %1 und %2 s gibt es nichts zu schicken: ein Stück in der Rolle wählen.</translation>
</message>
<message id="The command for the cleaner ended with code %1%2: try it in a terminal, or mend it.">
<source>The command for the cleaner ended with code %1%2: try it in a terminal, or mend it.</source>
<translation>Der Befehl des Säuberers endete mit %1%2: in einem Terminal versuchen, oder richten.</translation>
</message>
<message id=" (it said: %1)">
<source> (it said: %1)</source>
<translation> (er sagte: %1)</translation>
</message>
<message id="The command for the cleaner wrote no &quot;%1&quot;: it must write its answer to {out}, or to $RIVLEN_OUT.">
<source>The command for the cleaner wrote no &quot;%1&quot;: it must write its answer to {out}, or to $RIVLEN_OUT.</source>
<translation>Der Befehl des Säuberers schrieb kein „%1“: er muss seine Antwort nach {out} schreiben, oder nach $RIVLEN_OUT.</translation>
</message>
<message id="What follows objects in the picture cannot be loaded (%1): run ./rivlen build again.">
<source>What follows objects in the picture cannot be loaded (%1): run ./rivlen build again.</source>
<translation>Was Objekten im Bild folgt, lässt sich nicht laden (%1): ./rivlen build noch einmal ausführen.</translation>
</message>
<message id="This is no Band bias: give at most 32 points of a frequency from 20 to 24000 Hz, rising, and a value from -100 to 100, like 100:20,1000:-30.">
<source>This is no Band bias: give at most 32 points of a frequency from 20 to 24000 Hz, rising, and a value from -100 to 100, like 100:20,1000:-30.</source>
<translation>Das ist keine Bandneigung: höchstens 32 Punkte geben, je eine Frequenz von 20 bis 24000 Hz, steigend, und einen Wert von -100 bis 100, wie 100:20,1000:-30.</translation>
</message>
<message id="Isolates more in some regions and less in others. Too much: a region rings, or the bed stays in it.">
<source>Isolates more in some regions and less in others. Too much: a region rings, or the bed stays in it.</source>
<translation>Stellt manche Bereiche mehr frei und andere weniger. Zu viel: ein Bereich klingelt, oder der Grund bleibt darin.</translation>
</message>
<message id="Onset loss">
<source>Onset loss</source>
<translation>Einsatzverlust</translation>
</message>
<message id="Dulling">
<source>Dulling</source>
<translation>Dumpfheit</translation>
</message>
<message id="Warble">
<source>Warble</source>
<translation>Flattern</translation>
</message>
<message id="Pumping">
<source>Pumping</source>
<translation>Pumpen</translation>
</message>
<message id="Holes">
<source>Holes</source>
<translation>Löcher</translation>
</message>
<message id="Depth">
<source>Depth</source>
<translation>Tiefe</translation>
</message>
<message id="How far down everything else is taken at most. Too much sounds sterile, as from a booth.">
<source>How far down everything else is taken at most. Too much sounds sterile, as from a booth.</source>
<translation>Wie weit alles andere höchstens abgesenkt wird. Zu viel klingt steril, wie aus einer Kabine.</translation>
</message>
<message id="Firmness">
<source>Firmness</source>
<translation>Festigkeit</translation>
</message>
<message id="How decisively an unsure sound goes to one stem. Too much: words lose t, s and x or ring like water.">
<source>How decisively an unsure sound goes to one stem. Too much: words lose t, s and x or ring like water.</source>
<translation>Wie entschieden ein unsicherer Klang an einen Stem geht. Zu viel: Wörter verlieren t, s und x oder klingen wie Wasser.</translation>
</message>
<message id="Onset guard">
<source>Onset guard</source>
<translation>Einsatzschutz</translation>
</message>
<message id="Gives the beginnings of t, s and x back to the voice. Too much: the bed&apos;s clicks come along.">
<source>Gives the beginnings of t, s and x back to the voice. Too much: the bed&apos;s clicks come along.</source>
<translation>Gibt der Stimme die Anfänge von t, s und x zurück. Zu viel: die Knackser des Grundes kommen mit.</translation>
</message>
<message id="Room keep">
<source>Room keep</source>
<translation>Raumanteil</translation>
</message>
<message id="How much of the room stays with the voice. Too little sounds like a booth, too much far away.">
<source>How much of the room stays with the voice. Too little sounds like a booth, too much far away.</source>
<translation>Wie viel vom Raum bei der Stimme bleibt. Zu wenig klingt wie eine Kabine, zu viel weit weg.</translation>
</message>
<message id="Steadiness">
<source>Steadiness</source>
<translation>Stetigkeit</translation>
</message>
<message id="Evens isolation out over time, against warble. Too much: the bed swells around each word.">
<source>Evens isolation out over time, against warble. Too much: the bed swells around each word.</source>
<translation>Gleicht das Freistellen über die Zeit aus, gegen Flattern. Zu viel: der Grund schwillt um jedes Wort.</translation>
</message>
<message id="Balance">
<source>Balance</source>
<translation>Ausgleich</translation>
</message>
<message id="The result&apos;s voice up and its remaining bed down, by half of this each. Too much: the bed drops out.">
<source>The result&apos;s voice up and its remaining bed down, by half of this each. Too much: the bed drops out.</source>
<translation>Die Stimme des Ergebnisses auf und sein verbliebener Grund ab, je um die Hälfte. Zu viel: der Grund fällt weg.</translation>
</message>
<message id="Distractions">
<source>Distractions</source>
<translation>Ablenkendes</translation>
</message>
<message id="How loud knocks, dishes, horns and steps stay, where the ambience is taken apart. Spill does not count them.">
<source>How loud knocks, dishes, horns and steps stay, where the ambience is taken apart. Spill does not count them.</source>
<translation>Wie laut Klopfen, Geschirr, Hupen und Schritte bleiben, wo die Atmo zerlegt ist. Das Übersprechen zählt sie nicht.</translation>
</message>
<message id="Place">
<source>Place</source>
<translation>Ort</translation>
</message>
<message id="How loud the bed that tells where we are stays, where the ambience is taken apart. Spill does not count it.">
<source>How loud the bed that tells where we are stays, where the ambience is taken apart. Spill does not count it.</source>
<translation>Wie laut der Grund bleibt, der sagt, wo wir sind, wo die Atmo zerlegt ist. Das Übersprechen zählt ihn nicht.</translation>
</message>
<message id="&quot;%1&quot; is not a value for %2: give %3%4">
<source>&quot;%1&quot; is not a value for %2: give %3%4</source>
<translation>„%1“ ist kein Wert für %2: angeben: %3%4</translation>
</message>
<message id=", or full.">
<source>, or full.</source>
<translation>, oder full.</translation>
</message>
<message id="The strength over time %1; the session was damaged or edited by hand.">
<source>The strength over time %1; the session was damaged or edited by hand.</source>
<translation>Die Stärke über die Zeit %1; die Sitzung wurde beschädigt oder von Hand bearbeitet.</translation>
</message>
<message id="A region must be at least 0.05 s long: set a longer loop.">
<source>A region must be at least 0.05 s long: set a longer loop.</source>
<translation>Ein Bereich muss mindestens 0,05 s lang sein: eine längere Schleife setzen.</translation>
</message>
<message id="draws &quot;%1&quot;, which is no setting">
<source>draws &quot;%1&quot;, which is no setting</source>
<translation>zeichnet „%1“, das keine Einstellung ist</translation>
</message>
<message id="draws %1 beyond its range">
<source>draws %1 beyond its range</source>
<translation>zeichnet %1 über seinen Bereich hinaus</translation>
</message>
<message id="has points of %1 that are not in order">
<source>has points of %1 that are not in order</source>
<translation>hat Punkte von %1, die nicht geordnet sind</translation>
</message>
<message id="has more than 2000 points of %1">
<source>has more than 2000 points of %1</source>
<translation>hat mehr als 2000 Punkte von %1</translation>
</message>
<message id="has a region that is too short">
<source>has a region that is too short</source>
<translation>hat einen Bereich, der zu kurz ist</translation>
</message>
<message id="has a region whose fade is not between 0.01 and 5 s">
<source>has a region whose fade is not between 0.01 and 5 s</source>
<translation>hat einen Bereich, dessen Blende nicht zwischen 0,01 und 5 s liegt</translation>
</message>
<message id="has regions that overlap">
<source>has regions that overlap</source>
<translation>hat Bereiche, die sich überlappen</translation>
</message>
<message id="Beyond it more strength only adds damage, mostly %1.">
<source>Beyond it more strength only adds damage, mostly %1.</source>
<translation>Mehr bringt nur Schaden: %1.</translation>
</message>
<message id="Beyond it, 1 dB less spill costs %1 points of damage, mostly %2.">
<source>Beyond it, 1 dB less spill costs %1 points of damage, mostly %2.</source>
<translation>Ein dB mehr kostet %1 Punkte Schaden: %2.</translation>
</message>
<message id="There is so little to take away that any strength does more harm than good.">
<source>There is so little to take away that any strength does more harm than good.</source>
<translation>So wenig ist wegzunehmen, dass alles mehr schadet als nützt.</translation>
</message>
<message id="%1 is the only one that can be tried here.">
<source>%1 is the only one that can be tried here.</source>
<translation>%1 ist das einzige, das hier versucht werden kann.</translation>
</message>
<message id="%1 dB %2 spill and %3 point%4 %5 damage than ">
<source>%1 dB %2 spill and %3 point%4 %5 damage than </source>
<translation>%1 dB %2 Übersprechen und %3 Punkt(e)%4 %5 Schaden als </translation>
</message>
<message id="nearly the same figures here as %1">
<source>nearly the same figures here as %1</source>
<translation>hier fast dieselben Zahlen wie %1</translation>
</message>
<message id=", and %1 dB %2 on known mixtures">
<source>, and %1 dB %2 on known mixtures</source>
<translation>, und %1 dB %2 auf bekannten Mischungen</translation>
</message>
<message id=", and %1 times as fast">
<source>, and %1 times as fast</source>
<translation>, und %1-mal so schnell</translation>
</message>
<message id="%1 is recommended: %2.">
<source>%1 is recommended: %2.</source>
<translation>%1 ist empfohlen: %2.</translation>
</message>
<message id="There is too little to weigh: choose half a second or more.">
<source>There is too little to weigh: choose half a second or more.</source>
<translation>Es ist zu wenig zum Abwägen: eine halbe Sekunde oder mehr wählen.</translation>
</message>
<message id="There is nothing to weigh: the span is silent.">
<source>There is nothing to weigh: the span is silent.</source>
<translation>Es gibt nichts abzuwägen: das Stück ist still.</translation>
</message>
<message id="&quot;%1&quot; was done">
<source>&quot;%1&quot; was done</source>
<translation>„%1“ wurde ausgeführt</translation>
</message>
<message id="The program that learns the scene ended, or found no end: close other programs and try again.">
<source>The program that learns the scene ended, or found no end: close other programs and try again.</source>
<translation>Das Programm, das die Szene lernt, endete oder fand kein Ende: andere Programme schließen und noch einmal versuchen.</translation>
</message>
<message id="The program that learns the scene ended: try again.">
<source>The program that learns the scene ended: try again.</source>
<translation>Das Programm, das die Szene lernt, endete: noch einmal versuchen.</translation>
</message>
<message id="&quot;%1&quot; has no span from %2 to %3: mark another one.">
<source>&quot;%1&quot; has no span from %2 to %3: mark another one.</source>
<translation>„%1“ hat kein Stück von %2 bis %3: ein anderes angeben.</translation>
</message>
<message id="too little is marked: a second at least is needed, five are better">
<source>too little is marked: a second at least is needed, five are better</source>
<translation>es ist zu wenig angegeben: mindestens eine Sekunde ist nötig, fünf sind besser</translation>
</message>
<message id="the dialogue of this recording stays %1 cleaner under more of what you marked; with other voices: %2">
<source>the dialogue of this recording stays %1 cleaner under more of what you marked; with other voices: %2</source>
<translation>der Dialog dieser Aufnahme bleibt unter mehr von dem, was angegeben ist, um %1 sauberer; mit anderen Stimmen: %2</translation>
</message>
<message id="%1 on what was held back">
<source>%1 on what was held back</source>
<translation>%1 an dem, was zurückgehalten wurde</translation>
</message>
<message id="the network is good here already: %1 without it">
<source>the network is good here already: %1 without it</source>
<translation>das Netz ist hier schon gut: %1 ohne sie</translation>
</message>
<message id="the dialogue of this recording would not be cleaner under more of what you marked (%1): mark longer spans, or others, in which nothing else is heard">
<source>the dialogue of this recording would not be cleaner under more of what you marked (%1): mark longer spans, or others, in which nothing else is heard</source>
<translation>der Dialog dieser Aufnahme würde unter mehr von dem, was angegeben ist, nicht sauberer (%1): längere oder andere Stücke angeben, in denen sonst nichts zu hören ist</translation>
</message>
<message id="what it gains in one stem it loses in another (%1): the spans are too varied, or more than what you marked is heard in them">
<source>what it gains in one stem it loses in another (%1): the spans are too varied, or more than what you marked is heard in them</source>
<translation>was es in einem Stem gewinnt, verliert es in einem anderen (%1): die Stücke sind zu verschieden, oder es ist mehr darin zu hören als angegeben</translation>
</message>
<message id="it brought too little on what was held back (%1): mark longer spans, or other ones">
<source>it brought too little on what was held back (%1): mark longer spans, or other ones</source>
<translation>es brachte zu wenig an dem, was zurückgehalten wurde (%1): längere Stücke angeben, oder andere</translation>
</message>
<message id="The library of sounds that scenes are learned with is missing or incomplete: restore the scene folder that came with Rivlen.">
<source>The library of sounds that scenes are learned with is missing or incomplete: restore the scene folder that came with Rivlen.</source>
<translation>Die Klänge, mit denen Szenen gelernt werden, fehlen oder sind unvollständig: den Ordner scene wiederherstellen, der mit Rivlen kam.</translation>
</message>
<message id="separating what is played">
<source>separating what is played</source>
<translation>trennt, was gespielt wird</translation>
</message>
<message id="Loudness cannot be measured at this sample rate and channel count.">
<source>Loudness cannot be measured at this sample rate and channel count.</source>
<translation>Die Lautheit lässt sich bei dieser Abtastrate und Kanalzahl nicht messen.</translation>
</message>
<message id="The true peak cannot be measured at this sample rate.">
<source>The true peak cannot be measured at this sample rate.</source>
<translation>Der True Peak lässt sich bei dieser Abtastrate nicht messen.</translation>
</message>
<message id="is a symbolic link that leads in a circle: name the file itself.">
<source>is a symbolic link that leads in a circle: name the file itself.</source>
<translation>ist ein Verweis, der im Kreis führt: die Datei selbst nennen.</translation>
</message>
<message id="lies in a folder that is closed to you: change the folder&apos;s permissions.">
<source>lies in a folder that is closed to you: change the folder&apos;s permissions.</source>
<translation>liegt in einem verschlossenen Ordner: die Rechte des Ordners ändern.</translation>
</message>
<message id="has a name longer than file systems allow: check it.">
<source>has a name longer than file systems allow: check it.</source>
<translation>hat einen Namen, der länger ist, als Dateisysteme erlauben: prüfen.</translation>
</message>
<message id="is not there: a part of its path is a file, not a folder.">
<source>is not there: a part of its path is a file, not a folder.</source>
<translation>ist nicht da: ein Teil des Pfades ist eine Datei, kein Ordner.</translation>
</message>
<message id="is not there: check the path, or whether the disk it is on is connected.">
<source>is not there: check the path, or whether the disk it is on is connected.</source>
<translation>ist nicht da: den Pfad prüfen, oder ob der Datenträger angeschlossen ist.</translation>
</message>
<message id="is a folder: choose a file inside it.">
<source>is a folder: choose a file inside it.</source>
<translation>ist ein Ordner: eine Datei darin wählen.</translation>
</message>
<message id="is a pipe or a device, not a file: copy what comes out of it into a file first.">
<source>is a pipe or a device, not a file: copy what comes out of it into a file first.</source>
<translation>ist eine Leitung oder ein Gerät, keine Datei: was herauskommt, zuerst in eine Datei kopieren.</translation>
</message>
<message id="is empty (0 bytes): copy or export it again.">
<source>is empty (0 bytes): copy or export it again.</source>
<translation>ist leer (0 Byte): neu kopieren oder ausgeben.</translation>
</message>
<message id="may not be read by you: change its permissions.">
<source>may not be read by you: change its permissions.</source>
<translation>darf nicht gelesen werden: die Rechte ändern.</translation>
</message>
<message id="is not a recording that can be read, or it was cut short: choose an audio or video file, or copy it again.">
<source>is not a recording that can be read, or it was cut short: choose an audio or video file, or copy it again.</source>
<translation>ist keine lesbare Aufnahme, oder wurde abgeschnitten: eine Ton- oder Videodatei wählen, oder neu kopieren.</translation>
</message>
<message id="holds nothing that can be decoded: it may be damaged; copy or export it again.">
<source>holds nothing that can be decoded: it may be damaged; copy or export it again.</source>
<translation>enthält nichts, das sich dekodieren lässt: vielleicht ist sie beschädigt; neu kopieren oder ausgeben.</translation>
</message>
<message id="has a picture but no sound: choose a file with a sound track.">
<source>has a picture but no sound: choose a file with a sound track.</source>
<translation>hat ein Bild, aber keinen Ton: eine Datei mit Tonspur wählen.</translation>
</message>
<message id="holds no sound: choose an audio or video file.">
<source>holds no sound: choose an audio or video file.</source>
<translation>enthält keinen Ton: eine Ton- oder Videodatei wählen.</translation>
</message>
<message id="uses the sound codec &quot;%1&quot;, which cannot be decoded here: convert it first.">
<source>uses the sound codec &quot;%1&quot;, which cannot be decoded here: convert it first.</source>
<translation>benutzt den Codec „%1“, der sich hier nicht dekodieren lässt: zuerst umwandeln.</translation>
</message>
<message id="has a sound stream that cannot be decoded: it may be damaged; copy or export it again.">
<source>has a sound stream that cannot be decoded: it may be damaged; copy or export it again.</source>
<translation>hat einen Tonstrom, der sich nicht dekodieren lässt: vielleicht ist er beschädigt; neu kopieren oder ausgeben.</translation>
</message>
<message id="has a sample rate of %1 Hz: rates from 4000 Hz to 768 kHz are known; convert it first.">
<source>has a sample rate of %1 Hz: rates from 4000 Hz to 768 kHz are known; convert it first.</source>
<translation>hat eine Abtastrate von %1 Hz: von 4000 Hz bis 768 kHz sind bekannt; zuerst umwandeln.</translation>
</message>
<message id="changes its sample rate or channel count on the way: convert it to one format first.">
<source>changes its sample rate or channel count on the way: convert it to one format first.</source>
<translation>ändert unterwegs die Abtastrate oder die Kanalzahl: zuerst in ein Format umwandeln.</translation>
</message>
<message id="has a sample format that cannot be converted: convert it to WAV first.">
<source>has a sample format that cannot be converted: convert it to WAV first.</source>
<translation>hat ein Sampleformat, das sich nicht umwandeln lässt: zuerst in WAV umwandeln.</translation>
</message>
<message id="&quot;%1&quot; is not a format: use wav or flac.">
<source>&quot;%1&quot; is not a format: use wav or flac.</source>
<translation>„%1“ ist kein Format: wav oder flac nehmen.</translation>
</message>
<message id="&quot;%1&quot; is not a bit depth: use 16, 24 or 32f.">
<source>&quot;%1&quot; is not a bit depth: use 16, 24 or 32f.</source>
<translation>„%1“ ist keine Bittiefe: 16, 24 oder 32f nehmen.</translation>
</message>
<message id="FLAC stores integers only: use --bits 24 or --bits 16 with --format flac.">
<source>FLAC stores integers only: use --bits 24 or --bits 16 with --format flac.</source>
<translation>FLAC speichert nur ganze Zahlen: --bits 24 oder --bits 16 mit --format flac nehmen.</translation>
</message>
<message id="&quot;%1&quot; cannot be written: %2">
<source>&quot;%1&quot; cannot be written: %2</source>
<translation>„%1“ lässt sich nicht schreiben: %2</translation>
</message>
<message id="the disk is full or refuses more; free some space and start again.">
<source>the disk is full or refuses more; free some space and start again.</source>
<translation>der Datenträger ist voll oder nimmt nichts mehr; Platz schaffen und neu beginnen.</translation>
</message>
<message id="its folder does not take the name; check its permissions and the disk.">
<source>its folder does not take the name; check its permissions and the disk.</source>
<translation>sein Ordner nimmt den Namen nicht an; Rechte und Datenträger prüfen.</translation>
</message>
<message id="Rivlen ">
<source>Rivlen </source>
<translation>Rivlen </translation>
</message>
<message id="its format does not take %1 channels at %2 Hz; choose another format.">
<source>its format does not take %1 channels at %2 Hz; choose another format.</source>
<translation>das Format nimmt %1 Kanäle mit %2 Hz nicht; ein anderes wählen.</translation>
</message>
<message id="a file of that name has come there meanwhile; choose another folder or name.">
<source>a file of that name has come there meanwhile; choose another folder or name.</source>
<translation>inzwischen gibt es dort eine Datei dieses Namens; einen anderen Ordner oder Namen wählen.</translation>
</message>
<message id="&quot;%1&quot; is no channel of the same sound as &quot;%2&quot;: deliver both again.">
<source>&quot;%1&quot; is no channel of the same sound as &quot;%2&quot;: deliver both again.</source>
<translation>„%1“ ist kein Kanal desselben Tons wie „%2“: beide neu ausliefern.</translation>
</message>
<message id="%1was changed while it was being read: begin again once it is whole.">
<source>%1was changed while it was being read: begin again once it is whole.</source>
<translation>%1wurde geändert, während sie gelesen wurde: neu beginnen, wenn sie ganz ist.</translation>
</message>
<message id="%1holds no sound that can be decoded: it may be damaged or cut short; copy or export it again.">
<source>%1holds no sound that can be decoded: it may be damaged or cut short; copy or export it again.</source>
<translation>%1enthält keinen Ton, der sich dekodieren lässt: vielleicht ist sie beschädigt oder abgeschnitten; neu kopieren oder ausgeben.</translation>
</message>
<message id="%1was cut short: it ends after %2 of the %3 that it promises; copy it again.">
<source>%1was cut short: it ends after %2 of the %3 that it promises; copy it again.</source>
<translation>%1wurde abgeschnitten: sie endet nach %2 der %3, die sie verspricht; neu kopieren.</translation>
</message>
<message id="%1cannot be read from %2 on: it was cut short or changed meanwhile; copy it again.">
<source>%1cannot be read from %2 on: it was cut short or changed meanwhile; copy it again.</source>
<translation>%1lässt sich ab %2 nicht lesen: sie wurde abgeschnitten oder inzwischen geändert; neu kopieren.</translation>
</message>
<message id="%1is damaged at %2: %3 ms cannot be decoded. Copy it again, or go on with silence there (--tolerate-damage, or Go on at Split).">
<source>%1is damaged at %2: %3 ms cannot be decoded. Copy it again, or go on with silence there (--tolerate-damage, or Go on at Split).</source>
<translation>%1ist bei %2 beschädigt: %3 ms lassen sich nicht dekodieren. Neu kopieren, oder mit Stille dort weitermachen (--tolerate-damage, oder „Weitermachen“ unter Trennen).</translation>
</message>
<message id="names no file: give a name for what is written.">
<source>names no file: give a name for what is written.</source>
<translation>nennt keine Datei: einen Namen geben für das, was geschrieben wird.</translation>
</message>
<message id="cannot be written: its name is longer than file systems allow; shorten it.">
<source>cannot be written: its name is longer than file systems allow; shorten it.</source>
<translation>lässt sich nicht schreiben: der Name ist länger, als Dateisysteme erlauben; kürzen.</translation>
</message>
<message id="cannot be written: its symbolic links lead in a circle; name the file itself.">
<source>cannot be written: its symbolic links lead in a circle; name the file itself.</source>
<translation>lässt sich nicht schreiben: die Verweise führen im Kreis; die Datei selbst nennen.</translation>
</message>
<message id="is the source itself, which is never written to: give another name.">
<source>is the source itself, which is never written to: give another name.</source>
<translation>ist die Quelle selbst, in die nie geschrieben wird: einen anderen Namen geben.</translation>
</message>
<message id="cannot be written: it is a folder; give the name of a file in it.">
<source>cannot be written: it is a folder; give the name of a file in it.</source>
<translation>lässt sich nicht schreiben: es ist ein Ordner; den Namen einer Datei darin geben.</translation>
</message>
<message id="cannot be written: it is a device or a pipe, which is never replaced; give the name of a file.">
<source>cannot be written: it is a device or a pipe, which is never replaced; give the name of a file.</source>
<translation>lässt sich nicht schreiben: es ist ein Gerät oder eine Leitung und wird nie ersetzt; den Namen einer Datei geben.</translation>
</message>
<message id="cannot be written: it is already there; choose another folder or name, or --force to replace it.">
<source>cannot be written: it is already there; choose another folder or name, or --force to replace it.</source>
<translation>lässt sich nicht schreiben: es gibt sie schon; einen anderen Ordner oder Namen wählen, oder --force zum Ersetzen.</translation>
</message>
<message id="is a file, not a folder: choose another one.">
<source>is a file, not a folder: choose another one.</source>
<translation>ist eine Datei, kein Ordner: einen anderen wählen.</translation>
</message>
<message id="cannot be made: check the path, its permissions and the disk.">
<source>cannot be made: check the path, its permissions and the disk.</source>
<translation>lässt sich nicht anlegen: Pfad, Rechte und Datenträger prüfen.</translation>
</message>
<message id="cannot be written: ">
<source>cannot be written: </source>
<translation>lässt sich nicht schreiben: </translation>
</message>
<message id="you may not write there; choose another folder.">
<source>you may not write there; choose another folder.</source>
<translation>dort darf nicht geschrieben werden; einen anderen Ordner wählen.</translation>
</message>
<message id="the disk is full; free some space and start again.">
<source>the disk is full; free some space and start again.</source>
<translation>der Datenträger ist voll; Platz schaffen und neu beginnen.</translation>
</message>
<message id="check that the folder exists and may be written to.">
<source>check that the folder exists and may be written to.</source>
<translation>prüfen, ob es den Ordner gibt und in ihn geschrieben werden darf.</translation>
</message>
<message id="cannot be read: check that the file is there and whole.">
<source>cannot be read: check that the file is there and whole.</source>
<translation>lässt sich nicht lesen: prüfen, ob die Datei da und ganz ist.</translation>
</message>
<message id="is missing: only a video file&apos;s reel can be delivered with its picture; choose a sound format.">
<source>is missing: only a video file&apos;s reel can be delivered with its picture; choose a sound format.</source>
<translation>fehlt: nur die Rolle einer Videodatei lässt sich mit ihrem Bild ausliefern; ein Tonformat wählen.</translation>
</message>
<message id="The picture of &quot;%1&quot; %2">
<source>The picture of &quot;%1&quot; %2</source>
<translation>Das Bild von „%1“ %2</translation>
</message>
<message id="its ending stands for no container that is known here.">
<source>its ending stands for no container that is known here.</source>
<translation>die Endung steht für keinen hier bekannten Container.</translation>
</message>
<message id="check that the folder may be written to and has space.">
<source>check that the folder may be written to and has space.</source>
<translation>prüfen, ob in den Ordner geschrieben werden darf und Platz ist.</translation>
</message>
<message id="&quot;%1&quot; cannot hold the picture&apos;s codec (%2): choose another container, MKV takes nearly all.">
<source>&quot;%1&quot; cannot hold the picture&apos;s codec (%2): choose another container, MKV takes nearly all.</source>
<translation>„%1“ kann den Codec des Bildes (%2) nicht enthalten: einen anderen Container wählen, MKV nimmt fast alle.</translation>
</message>
<message id="free some space on the disk and start again.">
<source>free some space on the disk and start again.</source>
<translation>Platz auf dem Datenträger schaffen und neu beginnen.</translation>
</message>
<message id="there is not enough memory.">
<source>there is not enough memory.</source>
<translation>der Speicher reicht nicht.</translation>
</message>
<message id="This build of FFmpeg cannot write AAC: choose MOV or MKV with PCM, or another format.">
<source>This build of FFmpeg cannot write AAC: choose MOV or MKV with PCM, or another format.</source>
<translation>Dieses FFmpeg kann kein AAC schreiben: MOV oder MKV mit PCM wählen, oder ein anderes Format.</translation>
</message>
<message id="&quot;%1&quot; cannot hold %2 channels at %3 Hz: choose PCM, another layout or rate.">
<source>&quot;%1&quot; cannot hold %2 channels at %3 Hz: choose PCM, another layout or rate.</source>
<translation>„%1“ kann %2 Kanäle mit %3 Hz nicht enthalten: PCM, eine andere Anordnung oder Rate wählen.</translation>
</message>
<message id="free some space on the disk and start again; or the container cannot hold its streams: choose another one.">
<source>free some space on the disk and start again; or the container cannot hold its streams: choose another one.</source>
<translation>Platz auf dem Datenträger schaffen und neu beginnen; oder der Container kann die Ströme nicht enthalten: einen anderen wählen.</translation>
</message>
<message id="its sound cannot be encoded.">
<source>its sound cannot be encoded.</source>
<translation>der Ton lässt sich nicht kodieren.</translation>
</message>
<message id="is missing, or its codec is not known here; its sound can be worked on all the same.">
<source>is missing, or its codec is not known here; its sound can be worked on all the same.</source>
<translation>fehlt, oder sein Codec ist hier nicht bekannt; mit dem Ton lässt sich trotzdem arbeiten.</translation>
</message>
<message id="cannot be decoded; its sound can be worked on all the same.">
<source>cannot be decoded; its sound can be worked on all the same.</source>
<translation>lässt sich nicht dekodieren; mit dem Ton lässt sich trotzdem arbeiten.</translation>
</message>
<message id="has a pixel format that cannot be shown.">
<source>has a pixel format that cannot be shown.</source>
<translation>hat ein Bildpunktformat, das sich nicht zeigen lässt.</translation>
</message>
<message id="is too large to be shown.">
<source>is too large to be shown.</source>
<translation>ist zu groß, um gezeigt zu werden.</translation>
</message>
<message id="The folder &quot;%1&quot; cannot be read: check the path and that you may read it.">
<source>The folder &quot;%1&quot; cannot be read: check the path and that you may read it.</source>
<translation>Der Ordner „%1“ lässt sich nicht lesen: den Pfad prüfen, und ob er gelesen werden darf.</translation>
</message>
<message id="The take &quot;%1&quot; cannot be written: the disk is full or refuses more; free some space. What was recorded until then is kept.">
<source>The take &quot;%1&quot; cannot be written: the disk is full or refuses more; free some space. What was recorded until then is kept.</source>
<translation>Der Take „%1“ lässt sich nicht schreiben: der Datenträger ist voll oder nimmt nichts mehr; Platz schaffen. Was bis dahin aufgenommen wurde, ist gesichert.</translation>
</message>
<message id="The take &quot;%1&quot; cannot be written: check the folder&apos;s permissions and the disk.">
<source>The take &quot;%1&quot; cannot be written: check the folder&apos;s permissions and the disk.</source>
<translation>Der Take „%1“ lässt sich nicht schreiben: die Rechte des Ordners und den Datenträger prüfen.</translation>
</message>
<message id="&quot;%1&quot; is not a time: give seconds (12.5) or HH:MM:SS:FF, HH:MM:SS;FF or HH:MM:SS.mmm.">
<source>&quot;%1&quot; is not a time: give seconds (12.5) or HH:MM:SS:FF, HH:MM:SS;FF or HH:MM:SS.mmm.</source>
<translation>„%1“ ist keine Zeit: Sekunden (12.5) oder HH:MM:SS:FF, HH:MM:SS;FF oder HH:MM:SS.mmm geben.</translation>
</message>
<message id="Expander">
<source>Expander</source>
<translation>Expander</translation>
</message>
<message id="Takes down what lies below the words. Too much: words begin and end as if cut.">
<source>Takes down what lies below the words. Too much: words begin and end as if cut.</source>
<translation>Senkt, was unter den Wörtern liegt. Zu viel: Wörter beginnen und enden wie geschnitten.</translation>
</message>
<message id="Threshold">
<source>Threshold</source>
<translation>Schwelle</translation>
</message>
<message id="Where it begins. Too high: soft endings of words fade away.">
<source>Where it begins. Too high: soft endings of words fade away.</source>
<translation>Wo er beginnt. Zu hoch: leise Enden von Wörtern verschwinden.</translation>
</message>
<message id="Ratio">
<source>Ratio</source>
<translation>Verhältnis</translation>
</message>
<message id="How fast it falls below the threshold. Too much sounds like a switch.">
<source>How fast it falls below the threshold. Too much sounds like a switch.</source>
<translation>Wie schnell es unter der Schwelle fällt. Zu viel klingt wie ein Schalter.</translation>
</message>
<message id="Range">
<source>Range</source>
<translation>Bereich</translation>
</message>
<message id="How far down at most. Too much: the pauses go dead.">
<source>How far down at most. Too much: the pauses go dead.</source>
<translation>Wie weit höchstens hinunter. Zu viel: die Pausen werden tot.</translation>
</message>
<message id="Attack">
<source>Attack</source>
<translation>Ansprechen</translation>
</message>
<message id="How fast it opens. Too slow: t, k and p lose their beginnings.">
<source>How fast it opens. Too slow: t, k and p lose their beginnings.</source>
<translation>Wie schnell er öffnet. Zu langsam: t, k und p verlieren ihre Anfänge.</translation>
</message>
<message id="Hold">
<source>Hold</source>
<translation>Halten</translation>
</message>
<message id="How long it stays open. Too short: it flutters between syllables.">
<source>How long it stays open. Too short: it flutters between syllables.</source>
<translation>Wie lange er offen bleibt. Zu kurz: er flattert zwischen Silben.</translation>
</message>
<message id="Release">
<source>Release</source>
<translation>Loslassen</translation>
</message>
<message id="How slowly it closes. Too long: the bed breathes after each word.">
<source>How slowly it closes. Too long: the bed breathes after each word.</source>
<translation>Wie langsam er schließt. Zu lang: der Grund atmet nach jedem Wort.</translation>
</message>
<message id="De-esser">
<source>De-esser</source>
<translation>De-Esser</translation>
</message>
<message id="Takes sharp s sounds down in their own band. Too much lisps.">
<source>Takes sharp s sounds down in their own band. Too much lisps.</source>
<translation>Senkt scharfe s in ihrem eigenen Band. Zu viel lispelt.</translation>
</message>
<message id="How much of the voice an s may be before it counts as sharp. Too low: everything is dulled.">
<source>How much of the voice an s may be before it counts as sharp. Too low: everything is dulled.</source>
<translation>Wie viel der Stimme ein s sein darf, bevor es als scharf gilt. Zu niedrig: alles wird dumpf.</translation>
</message>
<message id="How far down at most. Beyond 4 dB voices begin to lisp.">
<source>How far down at most. Beyond 4 dB voices begin to lisp.</source>
<translation>Wie weit höchstens hinunter. Über 4 dB beginnen Stimmen zu lispeln.</translation>
</message>
<message id="From">
<source>From</source>
<translation>Von</translation>
</message>
<message id="Lower end of the band. Too low: vowels are dulled as well.">
<source>Lower end of the band. Too low: vowels are dulled as well.</source>
<translation>Unteres Ende des Bandes. Zu tief: auch Vokale werden dumpf.</translation>
</message>
<message id="To">
<source>To</source>
<translation>Bis</translation>
</message>
<message id="Upper end of the band. Too high costs air.">
<source>Upper end of the band. Too high costs air.</source>
<translation>Oberes Ende des Bandes. Zu hoch kostet Luft.</translation>
</message>
<message id="High-pass">
<source>High-pass</source>
<translation>Hochpass</translation>
</message>
<message id="Takes rumble and thumps out below the voice. Too high: the voice gets thin.">
<source>Takes rumble and thumps out below the voice. Too high: the voice gets thin.</source>
<translation>Nimmt Rumpeln und Schläge unter der Stimme weg. Zu hoch: die Stimme wird dünn.</translation>
</message>
<message id="Frequency">
<source>Frequency</source>
<translation>Frequenz</translation>
</message>
<message id="Where it is 3 dB down. Above 120 Hz low voices lose their body.">
<source>Where it is 3 dB down. Above 120 Hz low voices lose their body.</source>
<translation>Wo er 3 dB tiefer ist. Über 120 Hz verlieren tiefe Stimmen ihren Körper.</translation>
</message>
<message id="Slope">
<source>Slope</source>
<translation>Steilheit</translation>
</message>
<message id="How steep it falls: 12 or 24 dB an octave. Steep ones ring on thumps.">
<source>How steep it falls: 12 or 24 dB an octave. Steep ones ring on thumps.</source>
<translation>Wie steil er fällt: 12 oder 24 dB je Oktave. Steile klingeln bei Schlägen.</translation>
</message>
<message id="Bends the tone colour. Too much sounds like a telephone or a tub.">
<source>Bends the tone colour. Too much sounds like a telephone or a tub.</source>
<translation>Biegt die Klangfarbe. Zu viel klingt wie ein Telefon oder eine Wanne.</translation>
</message>
<message id="Low shelf">
<source>Low shelf</source>
<translation>Tiefes Regal</translation>
</message>
<message id="Everything below is raised or lowered.">
<source>Everything below is raised or lowered.</source>
<translation>Alles darunter wird gehoben oder gesenkt.</translation>
</message>
<message id="Warmth. Too much booms, too little is thin.">
<source>Warmth. Too much booms, too little is thin.</source>
<translation>Wärme. Zu viel dröhnt, zu wenig ist dünn.</translation>
</message>
<message id="Low bell">
<source>Low bell</source>
<translation>Tiefe Glocke</translation>
</message>
<message id="Where boxiness sits.">
<source>Where boxiness sits.</source>
<translation>Wo das Kastige sitzt.</translation>
</message>
<message id="Lowered it clears the voice. Too much hollows it out.">
<source>Lowered it clears the voice. Too much hollows it out.</source>
<translation>Gesenkt klärt sie die Stimme. Zu viel höhlt sie aus.</translation>
</message>
<message id="Low bell Q">
<source>Low bell Q</source>
<translation>Q tiefe Glocke</translation>
</message>
<message id="How narrow. Narrow and raised it rings.">
<source>How narrow. Narrow and raised it rings.</source>
<translation>Wie schmal. Schmal und gehoben klingelt sie.</translation>
</message>
<message id="Mid bell">
<source>Mid bell</source>
<translation>Mittlere Glocke</translation>
</message>
<message id="Where words are told apart.">
<source>Where words are told apart.</source>
<translation>Wo Wörter sich unterscheiden.</translation>
</message>
<message id="Presence. Too much is sharp and tiring.">
<source>Presence. Too much is sharp and tiring.</source>
<translation>Präsenz. Zu viel ist scharf und ermüdend.</translation>
</message>
<message id="Mid bell Q">
<source>Mid bell Q</source>
<translation>Q mittl. Glocke</translation>
</message>
<message id="How narrow. Narrow and raised it honks.">
<source>How narrow. Narrow and raised it honks.</source>
<translation>Wie schmal. Schmal und gehoben hupt sie.</translation>
</message>
<message id="High shelf">
<source>High shelf</source>
<translation>Hohes Regal</translation>
</message>
<message id="Everything above is raised or lowered.">
<source>Everything above is raised or lowered.</source>
<translation>Alles darüber wird gehoben oder gesenkt.</translation>
</message>
<message id="Air. Too much brings back hiss and sharp s.">
<source>Air. Too much brings back hiss and sharp s.</source>
<translation>Luft. Zu viel bringt Rauschen und scharfe s zurück.</translation>
</message>
<message id="Compressor">
<source>Compressor</source>
<translation>Kompressor</translation>
</message>
<message id="Evens out loud and soft words. Too much sounds pressed, and the bed rises.">
<source>Evens out loud and soft words. Too much sounds pressed, and the bed rises.</source>
<translation>Gleicht laute und leise Wörter aus. Zu viel klingt gepresst, und der Grund steigt.</translation>
</message>
<message id="Where it begins. Too low: nothing is left of the expression.">
<source>Where it begins. Too low: nothing is left of the expression.</source>
<translation>Wo er beginnt. Zu tief: vom Ausdruck bleibt nichts.</translation>
</message>
<message id="How much is left above: 3 dB become one. Beyond 6 it works like a wall.">
<source>How much is left above: 3 dB become one. Beyond 6 it works like a wall.</source>
<translation>Wie viel darüber bleibt: aus 3 dB wird eines. Über 6 wirkt er wie eine Wand.</translation>
</message>
<message id="Knee">
<source>Knee</source>
<translation>Knie</translation>
</message>
<message id="How softly it sets in. None at all is heard as a switch.">
<source>How softly it sets in. None at all is heard as a switch.</source>
<translation>Wie weich er einsetzt. Ganz ohne ist er als Schalter zu hören.</translation>
</message>
<message id="How fast it takes hold. Too fast dulls consonants, too slow lets them jump out.">
<source>How fast it takes hold. Too fast dulls consonants, too slow lets them jump out.</source>
<translation>Wie schnell er zugreift. Zu schnell macht Konsonanten dumpf, zu langsam lässt sie herausspringen.</translation>
</message>
<message id="How fast it lets go. Too fast distorts low voices, too slow pumps.">
<source>How fast it lets go. Too fast distorts low voices, too slow pumps.</source>
<translation>Wie schnell er loslässt. Zu schnell verzerrt tiefe Stimmen, zu langsam pumpt.</translation>
</message>
<message id="Make-up">
<source>Make-up</source>
<translation>Aufholen</translation>
</message>
<message id="Gain afterwards. It lifts the noise floor by as much.">
<source>Gain afterwards. It lifts the noise floor by as much.</source>
<translation>Gewinn danach. Er hebt das Grundrauschen um ebenso viel.</translation>
</message>
<message id="Room">
<source>Room</source>
<translation>Raum</translation>
</message>
<message id="Puts the sound into a room, to match the scene. Too much: the voice moves away.">
<source>Puts the sound into a room, to match the scene. Too much: the voice moves away.</source>
<translation>Stellt den Klang in einen Raum, passend zur Szene. Zu viel: die Stimme rückt weg.</translation>
</message>
<message id="Decay">
<source>Decay</source>
<translation>Nachhall</translation>
</message>
<message id="Time for 60 dB. Too long: words run into each other.">
<source>Time for 60 dB. Too long: words run into each other.</source>
<translation>Zeit für 60 dB. Zu lang: Wörter laufen ineinander.</translation>
</message>
<message id="The room&apos;s energy against the direct sound. Too much: far away.">
<source>The room&apos;s energy against the direct sound. Too much: far away.</source>
<translation>Die Energie des Raums gegen den direkten Schall. Zu viel: weit weg.</translation>
</message>
<message id="Delay">
<source>Delay</source>
<translation>Abstand</translation>
</message>
<message id="Before the room answers. Too long is heard as an echo.">
<source>Before the room answers. Too long is heard as an echo.</source>
<translation>Bevor der Raum antwortet. Zu lang ist als Echo zu hören.</translation>
</message>
<message id="Tone">
<source>Tone</source>
<translation>Klang</translation>
</message>
<message id="Dark to bright. Too bright hisses on s.">
<source>Dark to bright. Too bright hisses on s.</source>
<translation>Dunkel bis hell. Zu hell zischt bei s.</translation>
</message>
<message id="Limiter">
<source>Limiter</source>
<translation>Limiter</translation>
</message>
<message id="No peak goes over the ceiling, not even between samples. Too much pressing distorts.">
<source>No peak goes over the ceiling, not even between samples. Too much pressing distorts.</source>
<translation>Keine Spitze geht über die Obergrenze, auch nicht zwischen Samples. Zu viel Druck verzerrt.</translation>
</message>
<message id="The highest true peak that leaves it.">
<source>The highest true peak that leaves it.</source>
<translation>Der höchste True Peak, der ihn verlässt.</translation>
</message>
<message id="How fast it lets go. Too fast distorts, too slow ducks what follows.">
<source>How fast it lets go. Too fast distorts, too slow ducks what follows.</source>
<translation>Wie schnell er loslässt. Zu schnell verzerrt, zu langsam drückt, was folgt.</translation>
</message>
<message id="Voice">
<source>Voice</source>
<translation>Stimme</translation>
</message>
<message id="the chain most voices get: de-esser, high-pass, small mid lift, 3:1 from -24 dB, limiter">
<source>the chain most voices get: de-esser, high-pass, small mid lift, 3:1 from -24 dB, limiter</source>
<translation>die Kette, die die meisten Stimmen bekommen: De-Esser, Hochpass, etwas mehr Mitten, 3:1 ab -24 dB, Limiter</translation>
</message>
<message id="Remote guest">
<source>Remote guest</source>
<translation>Gast aus der Ferne</translation>
</message>
<message id="a cheap microphone far away: clearer, closer, quieter pauses">
<source>a cheap microphone far away: clearer, closer, quieter pauses</source>
<translation>ein billiges Mikrofon weit weg: klarer, näher, ruhigere Pausen</translation>
</message>
<message id="music and ambience under a voice: slow and gentle">
<source>music and ambience under a voice: slow and gentle</source>
<translation>Musik und Atmo unter einer Stimme: langsam und sanft</translation>
</message>
<message id="Peaks only">
<source>Peaks only</source>
<translation>Nur Spitzen</translation>
</message>
<message id="nothing but a limiter at -1 dBTP">
<source>nothing but a limiter at -1 dBTP</source>
<translation>nichts als ein Limiter bei -1 dBTP</translation>
</message>
<message id="The effect &quot;%1&quot; stands in a place that there is not, twice, or beside too many others.">
<source>The effect &quot;%1&quot; stands in a place that there is not, twice, or beside too many others.</source>
<translation>Der Effekt „%1“ steht an einem Platz, den es nicht gibt, doppelt, oder neben zu vielen anderen.</translation>
</message>
<message id="%1, before">
<source>%1, before</source>
<translation>%1, vorher</translation>
</message>
<message id="Down by">
<source>Down by</source>
<translation>Ab um</translation>
</message>
<message id="How far it is pulled down. Too much: it drops out under each word.">
<source>How far it is pulled down. Too much: it drops out under each word.</source>
<translation>Wie weit sie heruntergezogen wird. Zu viel: sie fällt unter jedem Wort weg.</translation>
</message>
<message id="How loud the key must be. Too low: breaths pull it down as well.">
<source>How loud the key must be. Too low: breaths pull it down as well.</source>
<translation>Wie laut der Auslöser sein muss. Zu tief: auch Atem zieht sie herunter.</translation>
</message>
<message id="Look-ahead">
<source>Look-ahead</source>
<translation>Vorausschau</translation>
</message>
<message id="How long before the word it begins. Too short: first consonants drown, too long: it gives words away.">
<source>How long before the word it begins. Too short: first consonants drown, too long: it gives words away.</source>
<translation>Wie lange vor dem Wort es beginnt. Zu kurz: erste Konsonanten ertrinken, zu lang: es verrät Wörter.</translation>
</message>
<message id="Fall">
<source>Fall</source>
<translation>Fallen</translation>
</message>
<message id="How fast it goes down. Too fast is heard as a step.">
<source>How fast it goes down. Too fast is heard as a step.</source>
<translation>Wie schnell sie fällt. Zu schnell ist als Stufe zu hören.</translation>
</message>
<message id="How long it stays down after a word. Too short: it flutters between words.">
<source>How long it stays down after a word. Too short: it flutters between words.</source>
<translation>Wie lange sie nach einem Wort unten bleibt. Zu kurz: sie flattert zwischen Wörtern.</translation>
</message>
<message id="Return">
<source>Return</source>
<translation>Rückkehr</translation>
</message>
<message id="How slowly it comes back. Too fast pumps.">
<source>How slowly it comes back. Too fast pumps.</source>
<translation>Wie langsam sie zurückkommt. Zu schnell pumpt.</translation>
</message>
<message id="A mend has an amount or an area out of range.">
<source>A mend has an amount or an area out of range.</source>
<translation>Eine Heilung hat ein Maß oder eine Fläche außerhalb des Bereichs.</translation>
</message>
<message id="no balance">
<source>no balance</source>
<translation>keine Mischung</translation>
</message>
<message id="As it is">
<source>As it is</source>
<translation>Wie es ist</translation>
</message>
<message id="Under a voice">
<source>Under a voice</source>
<translation>Unter einer Stimme</translation>
</message>
<message id="Without drums">
<source>Without drums</source>
<translation>Ohne Schlagzeug</translation>
</message>
<message id="Voice and bass">
<source>Voice and bass</source>
<translation>Gesang und Bass</translation>
</message>
<message id="Rhythm alone">
<source>Rhythm alone</source>
<translation>Nur der Rhythmus</translation>
</message>
<message id="Nothing distracts">
<source>Nothing distracts</source>
<translation>Nichts lenkt ab</translation>
</message>
<message id="Behind a voice">
<source>Behind a voice</source>
<translation>Hinter einer Stimme</translation>
</message>
<message id="Events alone">
<source>Events alone</source>
<translation>Nur Ereignisse</translation>
</message>
<message id="A balance needs a name: type one.">
<source>A balance needs a name: type one.</source>
<translation>Eine Mischung braucht einen Namen: einen eingeben.</translation>
</message>
<message id="The balance cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.">
<source>The balance cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.</source>
<translation>Die Mischung lässt sich nicht nach „%1“ schreiben: prüfen, ob in den Ordner geschrieben werden darf und Platz ist.</translation>
</message>
<message id="&quot;%1&quot; came with Rivlen and cannot be removed.">
<source>&quot;%1&quot; came with Rivlen and cannot be removed.</source>
<translation>„%1“ kam mit Rivlen und lässt sich nicht entfernen.</translation>
</message>
<message id="How loud the lane is in the mix; at the left end it is silent.">
<source>How loud the lane is in the mix; at the left end it is silent.</source>
<translation>Wie laut die Spur im Mix ist; am linken Ende ist sie still.</translation>
</message>
<message id="Pan">
<source>Pan</source>
<translation>Panorama</translation>
</message>
<message id="Left or right, at equal power. Far out a voice leaves the picture.">
<source>Left or right, at equal power. Far out a voice leaves the picture.</source>
<translation>Links oder rechts, mit gleicher Leistung. Weit außen verlässt eine Stimme das Bild.</translation>
</message>
<message id="Width">
<source>Width</source>
<translation>Breite</translation>
</message>
<message id="0 is mono, 100 as it is. Too wide sounds hollow and cancels in mono.">
<source>0 is mono, 100 as it is. Too wide sounds hollow and cancels in mono.</source>
<translation>0 ist Mono, 100 wie es ist. Zu weit klingt hohl und löscht sich in Mono aus.</translation>
</message>
<message id="The clip &quot;%1&quot; has a time or gain that cannot be.">
<source>The clip &quot;%1&quot; has a time or gain that cannot be.</source>
<translation>Der Clip „%1“ hat eine Zeit oder einen Gewinn, den es nicht geben kann.</translation>
</message>
<message id="The clip &quot;%1&quot; has a length or gain out of range.">
<source>The clip &quot;%1&quot; has a length or gain out of range.</source>
<translation>Der Clip „%1“ hat eine Länge oder einen Gewinn außerhalb des Bereichs.</translation>
</message>
<message id="The rebuild names &quot;%1&quot; twice; it was damaged or edited by hand.">
<source>The rebuild names &quot;%1&quot; twice; it was damaged or edited by hand.</source>
<translation>Der Aufbau nennt „%1“ zweimal; er wurde beschädigt oder von Hand bearbeitet.</translation>
</message>
<message id="The rebuild is mixed for &quot;%1&quot;, which is no format that Rivlen knows.">
<source>The rebuild is mixed for &quot;%1&quot;, which is no format that Rivlen knows.</source>
<translation>Der Aufbau ist für „%1“ gemischt, das kein Format ist, das Rivlen kennt.</translation>
</message>
<message id="The sound &quot;%1&quot; is not there any more: put it back, or import it again and take its clips out.">
<source>The sound &quot;%1&quot; is not there any more: put it back, or import it again and take its clips out.</source>
<translation>Den Klang „%1“ gibt es nicht mehr: zurücklegen, oder neu einlesen und seine Clips herausnehmen.</translation>
</message>
<message id="What the lanes are made of could not be read to its end: check that the reel&apos;s file and its imported sounds are still there and whole.">
<source>What the lanes are made of could not be read to its end: check that the reel&apos;s file and its imported sounds are still there and whole.</source>
<translation>Woraus die Spuren bestehen, ließ sich nicht zu Ende lesen: prüfen, ob die Datei der Rolle und ihre eingelesenen Klänge noch da und ganz sind.</translation>
</message>
<message id="There is no cue to lay in: choose a sound file.">
<source>There is no cue to lay in: choose a sound file.</source>
<translation>Es gibt kein Stück zum Einsetzen: eine Klangdatei wählen.</translation>
</message>
<message id="The span for the new music is shorter than half a second: set a longer loop.">
<source>The span for the new music is shorter than half a second: set a longer loop.</source>
<translation>Der Platz für die neue Musik ist kürzer als eine halbe Sekunde: eine längere Schleife setzen.</translation>
</message>
<message id="New music">
<source>New music</source>
<translation>Neue Musik</translation>
</message>
<message id="A room&apos;s decay of %1 s is out of range: 0.02 to 20 s are known.">
<source>A room&apos;s decay of %1 s is out of range: 0.02 to 20 s are known.</source>
<translation>Der Nachhall eines Raums von %1 s liegt außerhalb des Bereichs: 0,02 bis 20 s sind bekannt.</translation>
</message>
<message id="The network &quot;%1&quot; ">
<source>The network &quot;%1&quot; </source>
<translation>Das Netz „%1“ </translation>
</message>
<message id="%1did not answer within %2 seconds and was ended: choose another network.">
<source>%1did not answer within %2 seconds and was ended: choose another network.</source>
<translation>%1antwortete nicht in %2 Sekunden und wurde beendet: ein anderes Netz wählen.</translation>
</message>
<message id="%1made the program that runs it end, or needs more than %2 GB: choose another network.">
<source>%1made the program that runs it end, or needs more than %2 GB: choose another network.</source>
<translation>%1ließ das Programm enden, das es ausführt, oder braucht mehr als %2 GB: ein anderes Netz wählen.</translation>
</message>
<message id="The network &quot;%1&quot; has a stem &quot;%2&quot; that has no place here: its card can show it as one of the known stems.">
<source>The network &quot;%1&quot; has a stem &quot;%2&quot; that has no place here: its card can show it as one of the known stems.</source>
<translation>Das Netz „%1“ hat einen Stem „%2“, der hier keinen Platz hat: sein Steckbrief kann ihn als einen der bekannten zeigen.</translation>
</message>
<message id="The network &quot;%1&quot; does not separate the room from the voice: leave Room keep at 100 %, or choose another network.">
<source>The network &quot;%1&quot; does not separate the room from the voice: leave Room keep at 100 %, or choose another network.</source>
<translation>Das Netz „%1“ trennt den Raum nicht von der Stimme: den Raumanteil bei 100 % lassen, oder ein anderes Netz wählen.</translation>
</message>
<message id="There is not enough memory to run a network: 1.5 GB of address space are needed. Close other programs, or raise the limit that this one was given (ulimit -v).">
<source>There is not enough memory to run a network: 1.5 GB of address space are needed. Close other programs, or raise the limit that this one was given (ulimit -v).</source>
<translation>Der Speicher reicht nicht, um ein Netz auszuführen: 1,5 GB Adressraum sind nötig. Andere Programme schließen, oder die Grenze heben, die diesem gesetzt ist (ulimit -v).</translation>
</message>
<message id="The network backend cannot be loaded (%1): run ./rivlen build again.">
<source>The network backend cannot be loaded (%1): run ./rivlen build again.</source>
<translation>Was Netze ausführt, lässt sich nicht laden (%1): ./rivlen build noch einmal ausführen.</translation>
</message>
<message id="The network &quot;%1&quot; was never checked: install it with `rivlen-cli networks install`, or choose another network.">
<source>The network &quot;%1&quot; was never checked: install it with `rivlen-cli networks install`, or choose another network.</source>
<translation>Das Netz „%1“ wurde nie geprüft: mit „rivlen-cli networks install“ installieren, oder ein anderes wählen.</translation>
</message>
<message id="The network card &quot;%1&quot; %2">
<source>The network card &quot;%1&quot; %2</source>
<translation>Der Steckbrief „%1“ %2</translation>
</message>
<message id="cannot be read: check that it is there.">
<source>cannot be read: check that it is there.</source>
<translation>lässt sich nicht lesen: prüfen, ob er da ist.</translation>
</message>
<message id="is not a network card.">
<source>is not a network card.</source>
<translation>ist kein Steckbrief eines Netzes.</translation>
</message>
<message id="was made for a newer Rivlen: update Rivlen to use it.">
<source>was made for a newer Rivlen: update Rivlen to use it.</source>
<translation>wurde für ein neueres Rivlen gemacht: Rivlen erneuern, um es zu nutzen.</translation>
</message>
<message id="names a network outside its own folder; this is not allowed.">
<source>names a network outside its own folder; this is not allowed.</source>
<translation>nennt ein Netz außerhalb des eigenen Ordners; das ist nicht erlaubt.</translation>
</message>
<message id="is incomplete or damaged: %1.">
<source>is incomplete or damaged: %1.</source>
<translation>ist unvollständig oder beschädigt: %1.</translation>
</message>
<message id="has an id or a stem name that cannot be a file name: use letters, digits, - and _.">
<source>has an id or a stem name that cannot be a file name: use letters, digits, - and _.</source>
<translation>hat eine Kennung oder einen Stem, dessen Name kein Dateiname sein kann: Buchstaben, Ziffern, - und _ nehmen.</translation>
</message>
<message id="takes neither mono nor stereo: &quot;channels&quot; must list 1, 2 or both.">
<source>takes neither mono nor stereo: &quot;channels&quot; must list 1, 2 or both.</source>
<translation>nimmt weder Mono noch Stereo: „channels“ muss 1, 2 oder beide nennen.</translation>
</message>
<message id="gives values that cannot be: 2 to 16 stems, a rate of 8000 to 192000 Hz, lengths that are not negative nor above ten minutes.">
<source>gives values that cannot be: 2 to 16 stems, a rate of 8000 to 192000 Hz, lengths that are not negative nor above ten minutes.</source>
<translation>gibt Werte, die nicht sein können: 2 bis 16 Stems, eine Rate von 8000 bis 192000 Hz, Längen weder negativ noch über zehn Minuten.</translation>
</message>
<message id="gives &quot;fine_rates&quot; or &quot;quick_rates&quot; that cannot be: eight at most, from half to twice the &quot;sample_rate&quot;.">
<source>gives &quot;fine_rates&quot; or &quot;quick_rates&quot; that cannot be: eight at most, from half to twice the &quot;sample_rate&quot;.</source>
<translation>gibt „fine_rates“ oder „quick_rates“, die nicht sein können: höchstens acht, von der Hälfte bis zum Doppelten der „sample_rate“.</translation>
</message>
<message id="it made the program that tried it end: the file is damaged, hostile, or needs more than %1 GB.">
<source>it made the program that tried it end: the file is damaged, hostile, or needs more than %1 GB.</source>
<translation>es ließ das Programm enden, das es versuchte: die Datei ist beschädigt, feindlich, oder braucht mehr als %1 GB.</translation>
</message>
<message id="it did not answer within %1 seconds for two minutes of sound.">
<source>it did not answer within %1 seconds for two minutes of sound.</source>
<translation>es antwortete nicht in %1 Sekunden für zwei Minuten Ton.</translation>
</message>
<message id="No network is installed in &quot;%1&quot;: restore the networks folder that came with Rivlen.">
<source>No network is installed in &quot;%1&quot;: restore the networks folder that came with Rivlen.</source>
<translation>In „%1“ ist kein Netz installiert: den Ordner der Netze wiederherstellen, der mit Rivlen kam.</translation>
</message>
<message id="There is no network &quot;%1&quot;; known are: %2.">
<source>There is no network &quot;%1&quot;; known are: %2.</source>
<translation>Es gibt kein Netz „%1“; bekannt sind: %2.</translation>
</message>
<message id="A network &quot;%1&quot; is installed already: remove it first, or give &quot;%2&quot; another id.">
<source>A network &quot;%1&quot; is installed already: remove it first, or give &quot;%2&quot; another id.</source>
<translation>Ein Netz „%1“ ist schon installiert: zuerst entfernen, oder „%2“ eine andere Kennung geben.</translation>
</message>
<message id="The network &quot;%1&quot; is refused: %2">
<source>The network &quot;%1&quot; is refused: %2</source>
<translation>Das Netz „%1“ wird abgelehnt: %2</translation>
</message>
<message id="The network cannot be copied to &quot;%1&quot; (%2): free some space or check its permissions.">
<source>The network cannot be copied to &quot;%1&quot; (%2): free some space or check its permissions.</source>
<translation>Das Netz lässt sich nicht nach „%1“ kopieren (%2): Platz schaffen oder seine Rechte prüfen.</translation>
</message>
<message id="The network &quot;%1&quot; came with Rivlen and stays.">
<source>The network &quot;%1&quot; came with Rivlen and stays.</source>
<translation>Das Netz „%1“ kam mit Rivlen und bleibt.</translation>
</message>
<message id="The network file &quot;%1&quot; %2">
<source>The network file &quot;%1&quot; %2</source>
<translation>Die Netzdatei „%1“ %2</translation>
</message>
<message id="is missing: restore the networks folder that came with Rivlen.">
<source>is missing: restore the networks folder that came with Rivlen.</source>
<translation>fehlt: den Ordner der Netze wiederherstellen, der mit Rivlen kam.</translation>
</message>
<message id="is larger than 512 MB: no network of that size can be used.">
<source>is larger than 512 MB: no network of that size can be used.</source>
<translation>ist größer als 512 MB: kein Netz dieser Größe lässt sich nutzen.</translation>
</message>
<message id="is not the one that its card describes (SHA-256 differs): restore it, or choose another network.">
<source>is not the one that its card describes (SHA-256 differs): restore it, or choose another network.</source>
<translation>ist nicht die, die ihr Steckbrief beschreibt (SHA-256 weicht ab): wiederherstellen, oder ein anderes Netz wählen.</translation>
</message>
<message id="unpacks to %1 GB: no network of that size can be used.">
<source>unpacks to %1 GB: no network of that size can be used.</source>
<translation>entpackt sich auf %1 GB: kein Netz dieser Größe lässt sich nutzen.</translation>
</message>
<message id="it makes sound out of silence.">
<source>it makes sound out of silence.</source>
<translation>es macht Ton aus Stille.</translation>
</message>
<message id="its stems do not sum to the recording: what is missing is as loud as the recording (%1 dB).">
<source>its stems do not sum to the recording: what is missing is as loud as the recording (%1 dB).</source>
<translation>seine Stems sind zusammen nicht die Aufnahme: was fehlt, ist so laut wie die Aufnahme (%1 dB).</translation>
</message>
<message id="its answer depends on the level of the recording (it changes by %1 dB).">
<source>its answer depends on the level of the recording (it changes by %1 dB).</source>
<translation>seine Antwort hängt vom Pegel der Aufnahme ab (sie ändert sich um %1 dB).</translation>
</message>
<message id="its answer depends on %1 s of sound on each side, its card says %2 s: context_samples must be %3 at least.">
<source>its answer depends on %1 s of sound on each side, its card says %2 s: context_samples must be %3 at least.</source>
<translation>seine Antwort hängt von %1 s Ton auf jeder Seite ab, sein Steckbrief sagt %2 s: context_samples muss mindestens %3 sein.</translation>
</message>
<message id="runs networks">
<source>runs networks</source>
<translation>Netze ausführt</translation>
</message>
<message id="No network that takes the %1 further apart is in &quot;%2&quot;: restore the networks folder that came with Rivlen.">
<source>No network that takes the %1 further apart is in &quot;%2&quot;: restore the networks folder that came with Rivlen.</source>
<translation>In „%2“ ist kein Netz, das %1 weiter zerlegt: den Ordner der Netze wiederherstellen, der mit Rivlen kam.</translation>
</message>
<message id="There is no %1 to be taken apart: split the reel first.">
<source>There is no %1 to be taken apart: split the reel first.</source>
<translation>Es gibt nichts von %1 zu zerlegen: zuerst die Rolle trennen.</translation>
</message>
<message id="A stem &quot;%1&quot; is not taken further apart: choose music or ambience.">
<source>A stem &quot;%1&quot; is not taken further apart: choose music or ambience.</source>
<translation>Ein Stem „%1“ wird nicht weiter zerlegt: Musik oder Atmo wählen.</translation>
</message>
<message id="holds weights that cannot be.">
<source>holds weights that cannot be.</source>
<translation>enthält Gewichte, die nicht sein können.</translation>
</message>
<message id="is not a scene.">
<source>is not a scene.</source>
<translation>ist keine Szene.</translation>
</message>
<message id="was made by a newer Rivlen: update Rivlen to use it.">
<source>was made by a newer Rivlen: update Rivlen to use it.</source>
<translation>wurde von einem neueren Rivlen gemacht: Rivlen erneuern, um sie zu nutzen.</translation>
</message>
<message id="lists more than any scene has.">
<source>lists more than any scene has.</source>
<translation>nennt mehr, als eine Szene hat.</translation>
</message>
<message id="changes nothing.">
<source>changes nothing.</source>
<translation>ändert nichts.</translation>
</message>
<message id="The scene &quot;%1&quot; %2">
<source>The scene &quot;%1&quot; %2</source>
<translation>Die Szene „%1“ %2</translation>
</message>
<message id="cannot be read: check that it is there, or choose the network without it.">
<source>cannot be read: check that it is there, or choose the network without it.</source>
<translation>lässt sich nicht lesen: prüfen, ob sie da ist, oder das Netz ohne sie wählen.</translation>
</message>
<message id="is larger than 64 MB: no scene is.">
<source>is larger than 64 MB: no scene is.</source>
<translation>ist größer als 64 MB: das ist keine Szene.</translation>
</message>
<message id="The scene &quot;%1&quot; cannot be written: check the folder&apos;s permissions and the free space.">
<source>The scene &quot;%1&quot; cannot be written: check the folder&apos;s permissions and the free space.</source>
<translation>Die Szene „%1“ lässt sich nicht schreiben: die Rechte des Ordners und den Platz prüfen.</translation>
</message>
<message id="The scene &quot;%1&quot; was learned by %2%3&quot;: learn it again, or go on without it.">
<source>The scene &quot;%1&quot; was learned by %2%3&quot;: learn it again, or go on without it.</source>
<translation>Die Szene „%1“ lernte %2%3“: neu lernen, oder ohne sie weitermachen.</translation>
</message>
<message id="The network &quot;%1&quot; did not come with Rivlen and cannot use a scene: go on without it.">
<source>The network &quot;%1&quot; did not come with Rivlen and cannot use a scene: go on without it.</source>
<translation>Das Netz „%1“ kam nicht mit Rivlen und kann keine Szene nutzen: ohne sie weitermachen.</translation>
</message>
<message id="The network &quot;%1&quot; takes the %2 of a recording further apart and cannot separate a recording: choose another one, and take the %3 apart afterwards.">
<source>The network &quot;%1&quot; takes the %2 of a recording further apart and cannot separate a recording: choose another one, and take the %3 apart afterwards.</source>
<translation>Das Netz „%1“ zerlegt %2 einer Aufnahme weiter und kann keine Aufnahme trennen: ein anderes wählen, und %3 danach zerlegen.</translation>
</message>
<message id="The span in &quot;%1&quot; that begins at frame %2 %3: give the batch again.">
<source>The span in &quot;%1&quot; that begins at frame %2 %3: give the batch again.</source>
<translation>Der Abschnitt in „%1“, der bei Abtastwert %2 beginnt, %3: den Stapel noch einmal starten.</translation>
</message>
<message id="lacks a stem">
<source>lacks a stem</source>
<translation>lässt einen Stem vermissen</translation>
</message>
<message id="is cut, or of another recording">
<source>is cut, or of another recording</source>
<translation>ist abgeschnitten oder gehört zu einer anderen Aufnahme</translation>
</message>
<message id="is missing">
<source>is missing</source>
<translation>fehlt</translation>
</message>
<message id="The stored stem &quot;%1&quot; cannot be opened: split the reel again.">
<source>The stored stem &quot;%1&quot; cannot be opened: split the reel again.</source>
<translation>Der gespeicherte Stem „%1“ lässt sich nicht öffnen: die Rolle noch einmal trennen.</translation>
</message>
<message id="Stems cannot be stored in &quot;%1&quot; (%2): free some space or check its permissions.">
<source>Stems cannot be stored in &quot;%1&quot; (%2): free some space or check its permissions.</source>
<translation>Stems lassen sich nicht in „%1“ speichern (%2): Platz schaffen oder seine Rechte prüfen.</translation>
</message>
<message id="Stems cannot be stored in &quot;%1&quot; (%2): free some space and split again.">
<source>Stems cannot be stored in &quot;%1&quot; (%2): free some space and split again.</source>
<translation>Stems lassen sich nicht in „%1“ speichern (%2): Platz schaffen und noch einmal trennen.</translation>
</message>
<message id="Stems cannot be stored in &quot;%1&quot; (%2): free some space and try again.">
<source>Stems cannot be stored in &quot;%1&quot; (%2): free some space and try again.</source>
<translation>Stems lassen sich nicht in „%1“ speichern (%2): Platz schaffen und noch einmal versuchen.</translation>
</message>
<message id="Stems cannot be stored in &quot;%1&quot;: free some space and split again.">
<source>Stems cannot be stored in &quot;%1&quot;: free some space and split again.</source>
<translation>Stems lassen sich nicht in „%1“ speichern: Platz schaffen und noch einmal trennen.</translation>
</message>
<message id="Cancelled.">
<source>Cancelled.</source>
<translation>Abgebrochen.</translation>
</message>
<message id="The network &quot;%1&quot; cannot learn from a scene: choose one whose module has a lesson (docs/formats.md).">
<source>The network &quot;%1&quot; cannot learn from a scene: choose one whose module has a lesson (docs/formats.md).</source>
<translation>Das Netz „%1“ kann nicht aus einer Szene lernen: eines wählen, dessen Modul eine Lektion hat (docs/formats.md).</translation>
</message>
<message id="The network &quot;%1&quot; found no way to learn from this scene: mark other spans.">
<source>The network &quot;%1&quot; found no way to learn from this scene: mark other spans.</source>
<translation>Das Netz „%1“ fand keinen Weg, aus dieser Szene zu lernen: andere Stücke angeben.</translation>
</message>
<message id="The network file &quot;%1&quot; is damaged or not TorchScript: restore it, or choose another network.">
<source>The network file &quot;%1&quot; is damaged or not TorchScript: restore it, or choose another network.</source>
<translation>Die Netzdatei „%1“ ist beschädigt oder kein TorchScript: wiederherstellen, oder ein anderes Netz wählen.</translation>
</message>
<message id="The scene &quot;%1&quot; does not fit the network &quot;%2&quot;: learn it again, or go on without it.">
<source>The scene &quot;%1&quot; does not fit the network &quot;%2&quot;: learn it again, or go on without it.</source>
<translation>Die Szene „%1“ passt nicht zum Netz „%2“: neu lernen, oder ohne sie weitermachen.</translation>
</message>
<message id="The network &quot;%1&quot; does not give what its card promises: choose another network.">
<source>The network &quot;%1&quot; does not give what its card promises: choose another network.</source>
<translation>Das Netz „%1“ gibt nicht, was sein Steckbrief verspricht: ein anderes Netz wählen.</translation>
</message>
<message id="allocate memory">
<source>allocate memory</source>
<translation>allocate memory</translation>
</message>
<message id="There is not enough memory for the network &quot;%1&quot;: close other programs, or work on a shorter span.%2">
<source>There is not enough memory for the network &quot;%1&quot;: close other programs, or work on a shorter span.%2</source>
<translation>Der Speicher reicht nicht für das Netz „%1“: andere Programme schließen, oder an einem kürzeren Stück arbeiten.%2</translation>
</message>
<message id="The network &quot;%1&quot; failed while it was computing: choose another network.%2">
<source>The network &quot;%1&quot; failed while it was computing: choose another network.%2</source>
<translation>Das Netz „%1“ versagte beim Rechnen: ein anderes Netz wählen.%2</translation>
</message>
<message id="The strength of &quot;%1&quot;.">
<source>The strength of &quot;%1&quot;.</source>
<translation>Die Stärke von „%1“.</translation>
</message>
<message id="Natural playback">
<source>Natural playback</source>
<translation>Natürliche Wiedergabe</translation>
</message>
<message id="Heard alone">
<source>Heard alone</source>
<translation>Allein gehört</translation>
</message>
<message id="Under music">
<source>Under music</source>
<translation>Unter Musik</translation>
</message>
<message id="Under new music">
<source>Under new music</source>
<translation>Unter neuer Musik</translation>
</message>
<message id="Keep the room">
<source>Keep the room</source>
<translation>Raum behalten</translation>
</message>
<message id="The room stays">
<source>The room stays</source>
<translation>Der Raum bleibt</translation>
</message>
<message id="A clean voice is not made for &quot;%1&quot;: choose one of %2.">
<source>A clean voice is not made for &quot;%1&quot;: choose one of %2.</source>
<translation>Für „%1“ wird keine saubere Stimme gemacht: eines davon wählen: %2.</translation>
</message>
<message id="&quot;%1&quot; is silent or shorter than half a second: there is no voice to clean in it.">
<source>&quot;%1&quot; is silent or shorter than half a second: there is no voice to clean in it.</source>
<translation>„%1“ ist still oder kürzer als eine halbe Sekunde: darin gibt es keine Stimme zu säubern.</translation>
</message>
<message id="The set &quot;%1&quot; has neither a mix nor a dialogue that the voice could stand for: choose another set.">
<source>The set &quot;%1&quot; has neither a mix nor a dialogue that the voice could stand for: choose another set.</source>
<translation>Der Satz „%1“ hat weder einen Mix noch einen Dialog, für den die Stimme stehen könnte: einen anderen wählen.</translation>
</message>
<message id="clean voice">
<source>clean voice</source>
<translation>saubere Stimme</translation>
</message>
<message id="clean picture, ">
<source>clean picture, </source>
<translation>sauberes Bild, </translation>
</message>
<message id="a queued reel is missing">
<source>a queued reel is missing</source>
<translation>eine eingereihte Rolle fehlt</translation>
</message>
<message id="Nothing is ticked: tick the deliverables that are to be made.">
<source>Nothing is ticked: tick the deliverables that are to be made.</source>
<translation>Nichts ist angehakt: die Lieferungen anhaken, die gemacht werden sollen.</translation>
</message>
<message id="&quot;%1&quot; is already queued for &quot;%2&quot;: choose another folder, or put {session} and {reel} into the names.">
<source>&quot;%1&quot; is already queued for &quot;%2&quot;: choose another folder, or put {session} and {reel} into the names.</source>
<translation>„%1“ steht schon für „%2“ an: einen anderen Ordner wählen, oder {session} und {reel} in die Namen setzen.</translation>
</message>
<message id="has more than a thousand marks.">
<source>has more than a thousand marks.</source>
<translation>hat mehr als tausend Angaben.</translation>
</message>
<message id="has a mark of the stem &quot;%1&quot;: dialogue, music and ambience are known.">
<source>has a mark of the stem &quot;%1&quot;: dialogue, music and ambience are known.</source>
<translation>hat eine Angabe des Stems „%1“: dialogue, music und ambience sind bekannt.</translation>
</message>
<message id="has a mark from %1 to %2 s: it must begin at 0 or later and last %3 s at least.">
<source>has a mark from %1 to %2 s: it must begin at 0 or later and last %3 s at least.</source>
<translation>hat eine Angabe von %1 bis %2 s: sie muss bei 0 oder später beginnen und mindestens %3 s dauern.</translation>
</message>
<message id="A preset needs a name: type one.">
<source>A preset needs a name: type one.</source>
<translation>Eine Vorgabe braucht einen Namen: einen eingeben.</translation>
</message>
<message id="The preset cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.">
<source>The preset cannot be written to &quot;%1&quot;: check that the folder may be written to and has space.</source>
<translation>Die Vorgabe lässt sich nicht nach „%1“ schreiben: prüfen, ob in den Ordner geschrieben werden darf und Platz ist.</translation>
</message>
<message id="The session &quot;%1&quot; %2">
<source>The session &quot;%1&quot; %2</source>
<translation>Die Sitzung „%1“ %2</translation>
</message>
<message id="is a folder: choose a .rivlen file in it.">
<source>is a folder: choose a .rivlen file in it.</source>
<translation>ist ein Ordner: eine .rivlen-Datei darin wählen.</translation>
</message>
<message id="is a pipe or a device: choose a .rivlen file.">
<source>is a pipe or a device: choose a .rivlen file.</source>
<translation>ist eine Leitung oder ein Gerät: eine .rivlen-Datei wählen.</translation>
</message>
<message id="is larger than any session: choose a .rivlen file.">
<source>is larger than any session: choose a .rivlen file.</source>
<translation>ist größer als jede Sitzung: eine .rivlen-Datei wählen.</translation>
</message>
<message id="cannot be read: check the path and its permissions.">
<source>cannot be read: check the path and its permissions.</source>
<translation>lässt sich nicht lesen: Pfad und Rechte prüfen.</translation>
</message>
<message id="is not a Rivlen session: choose a .rivlen file.">
<source>is not a Rivlen session: choose a .rivlen file.</source>
<translation>ist keine Sitzung von Rivlen: eine .rivlen-Datei wählen.</translation>
</message>
<message id="was made by a newer Rivlen: update Rivlen to open it.">
<source>was made by a newer Rivlen: update Rivlen to open it.</source>
<translation>wurde von einem neueren Rivlen gemacht: Rivlen erneuern, um sie zu öffnen.</translation>
</message>
<message id="has the version %1, which there never was: it was edited by hand.">
<source>has the version %1, which there never was: it was edited by hand.</source>
<translation>hat die Fassung %1, die es nie gab: sie wurde von Hand bearbeitet.</translation>
</message>
<message id="has the stage &quot;%1&quot;: intake, split, weigh, rebuild and dispatch are known.">
<source>has the stage &quot;%1&quot;: intake, split, weigh, rebuild and dispatch are known.</source>
<translation>hat die Stufe „%1“: intake, split, weigh, rebuild und dispatch sind bekannt.</translation>
</message>
<message id="names the reel &quot;%1&quot; twice; it was damaged or edited by hand.">
<source>names the reel &quot;%1&quot; twice; it was damaged or edited by hand.</source>
<translation>nennt die Rolle „%1“ zweimal; sie wurde beschädigt oder von Hand bearbeitet.</translation>
</message>
<message id="has the quality &quot;%1&quot; for the reel &quot;%2&quot;: &quot;fine&quot; and &quot;quick&quot; are known.">
<source>has the quality &quot;%1&quot; for the reel &quot;%2&quot;: &quot;fine&quot; and &quot;quick&quot; are known.</source>
<translation>hat die Güte „%1“ für die Rolle „%2“: „fine“ und „quick“ sind bekannt.</translation>
</message>
<message id="takes &quot;%1&quot; of the reel &quot;%2&quot; apart: &quot;music&quot; and &quot;ambience&quot; are known.">
<source>takes &quot;%1&quot; of the reel &quot;%2&quot; apart: &quot;music&quot; and &quot;ambience&quot; are known.</source>
<translation>zerlegt „%1“ der Rolle „%2“: „music“ und „ambience“ sind bekannt.</translation>
</message>
<message id="has a candidate &quot;%1&quot;: only A to D are known.">
<source>has a candidate &quot;%1&quot;: only A to D are known.</source>
<translation>hat einen Kandidaten „%1“: nur A bis D sind bekannt.</translation>
</message>
<message id="has a loop from %1 to %2 s for the reel &quot;%3&quot;: it must begin at 0 or later and end after its beginning.">
<source>has a loop from %1 to %2 s for the reel &quot;%3&quot;: it must begin at 0 or later and end after its beginning.</source>
<translation>hat eine Schleife von %1 bis %2 s für die Rolle „%3“: sie muss bei 0 oder später beginnen und nach ihrem Anfang enden.</translation>
</message>
<message id="is damaged (%1): open the copy that was saved before, or the recovered one.">
<source>is damaged (%1): open the copy that was saved before, or the recovered one.</source>
<translation>ist beschädigt (%1): die Kopie öffnen, die davor gespeichert wurde, oder die wiederhergestellte.</translation>
</message>
<message id="The session cannot be saved as &quot;%1&quot;: check that the folder may be written to and has space, or save it elsewhere.">
<source>The session cannot be saved as &quot;%1&quot;: check that the folder may be written to and has space, or save it elsewhere.</source>
<translation>Die Sitzung lässt sich nicht als „%1“ speichern: prüfen, ob in den Ordner geschrieben werden darf und Platz ist, oder anderswo speichern.</translation>
</message>
<message id="Untitled">
<source>Untitled</source>
<translation>Unbenannt</translation>
</message>
<message id="The deliverable &quot;%1&quot; asks for candidate %2 of %3, which was not kept: keep it at Weigh, or take the candidate out.">
<source>The deliverable &quot;%1&quot; asks for candidate %2 of %3, which was not kept: keep it at Weigh, or take the candidate out.</source>
<translation>Die Lieferung „%1“ verlangt Kandidat %2 von %3, der nicht gemerkt wurde: unter Abwägen merken, oder den Kandidaten herausnehmen.</translation>
</message>
<message id="The deliverable &quot;%1&quot; asks for a part of the %2 of %3, which is not taken apart: do that at Split, or take the deliverable out.">
<source>The deliverable &quot;%1&quot; asks for a part of the %2 of %3, which is not taken apart: do that at Split, or take the deliverable out.</source>
<translation>Die Lieferung „%1“ verlangt einen Teil von %2 von %3, der nicht zerlegt ist: das unter Trennen tun, oder die Lieferung herausnehmen.</translation>
</message>
<message id="Two deliverables would both be called &quot;%1&quot;: put {reel} and {name} into their names.">
<source>Two deliverables would both be called &quot;%1&quot;: put {reel} and {name} into their names.</source>
<translation>Zwei Lieferungen würden beide „%1“ heißen: {reel} und {name} in ihre Namen setzen.</translation>
</message>
<message id="&quot;%1&quot; is no set of head-related responses that can be read: choose a SOFA file (AES69) with SimpleFreeFieldHRIR.">
<source>&quot;%1&quot; is no set of head-related responses that can be read: choose a SOFA file (AES69) with SimpleFreeFieldHRIR.</source>
<translation>„%1“ ist kein lesbarer Satz kopfbezogener Antworten: eine SOFA-Datei (AES69) mit SimpleFreeFieldHRIR wählen.</translation>
</message>
<message id="Ltf">
<source>Ltf</source>
<translation>Ltf</translation>
</message>
<message id="Rtf">
<source>Rtf</source>
<translation>Rtf</translation>
</message>
<message id="Ltb">
<source>Ltb</source>
<translation>Ltb</translation>
</message>
<message id="Rtb">
<source>Rtb</source>
<translation>Rtb</translation>
</message>
<message id="as the reel">
<source>as the reel</source>
<translation>wie die Rolle</translation>
</message>
<message id="Mono">
<source>Mono</source>
<translation>Mono</translation>
</message>
<message id="Stereo">
<source>Stereo</source>
<translation>Stereo</translation>
</message>
<message id="AmbiX, second order">
<source>AmbiX, second order</source>
<translation>AmbiX, zweite Ordnung</translation>
</message>
<message id="AmbiX, third order">
<source>AmbiX, third order</source>
<translation>AmbiX, dritte Ordnung</translation>
</message>
<message id="AmbiX, fourth order">
<source>AmbiX, fourth order</source>
<translation>AmbiX, vierte Ordnung</translation>
</message>
<message id="AmbiX, fifth order">
<source>AmbiX, fifth order</source>
<translation>AmbiX, fünfte Ordnung</translation>
</message>
<message id="Azimuth">
<source>Azimuth</source>
<translation>Azimut</translation>
</message>
<message id="Where it comes from around the listener: 0 in front, 90 at the left, -90 at the right, 180 behind.">
<source>Where it comes from around the listener: 0 in front, 90 at the left, -90 at the right, 180 behind.</source>
<translation>Woher es um den Hörer kommt: 0 vorn, 90 links, -90 rechts, 180 hinten.</translation>
</message>
<message id="Elevation">
<source>Elevation</source>
<translation>Höhe</translation>
</message>
<message id="How far above or below the ears. Only formats with heights and ambisonics know it.">
<source>How far above or below the ears. Only formats with heights and ambisonics know it.</source>
<translation>Wie weit über oder unter den Ohren. Nur Formate mit Höhen und Ambisonics kennen es.</translation>
</message>
<message id="Distance">
<source>Distance</source>
<translation>Entfernung</translation>
</message>
<message id="Softer by 6 dB for each doubling beyond one metre, and duller as the air takes the treble.">
<source>Softer by 6 dB for each doubling beyond one metre, and duller as the air takes the treble.</source>
<translation>Um 6 dB leiser bei jeder Verdopplung über einen Meter hinaus, und dumpfer, da die Luft die Höhen nimmt.</translation>
</message>
<message id="Spread">
<source>Spread</source>
<translation>Weite</translation>
</message>
<message id="How wide a part of the room it fills. Too wide, and nobody can tell where it is.">
<source>How wide a part of the room it fills. Too wide, and nobody can tell where it is.</source>
<translation>Wie breit ein Teil des Raums erfüllt wird. Zu weit, und niemand kann sagen, wo es ist.</translation>
</message>
<message id="Divergence">
<source>Divergence</source>
<translation>Divergenz</translation>
</message>
<message id="How much comes from 30° to both sides instead: a voice in front leaves the centre for left and right. Too much, and it is nowhere for who sits aside.">
<source>How much comes from 30° to both sides instead: a voice in front leaves the centre for left and right. Too much, and it is nowhere for who sits aside.</source>
<translation>Wie viel stattdessen aus 30° zu beiden Seiten kommt: eine Stimme vorn verlässt die Mitte nach links und rechts. Zu viel, und sie ist für seitlich Sitzende nirgends.</translation>
</message>
<message id="The treated sound cannot be kept in &quot;%1&quot;: check that the disk has space.">
<source>The treated sound cannot be kept in &quot;%1&quot;: check that the disk has space.</source>
<translation>Der behandelte Ton lässt sich nicht in „%1“ aufbewahren: prüfen, ob der Datenträger Platz hat.</translation>
</message>
<message id="Centres the waveform. Nothing else changes.">
<source>Centres the waveform. Nothing else changes.</source>
<translation>Rückt die Wellenform in die Mitte. Sonst ändert sich nichts.</translation>
</message>
<message id="Turns the right channel over, so that both work together.">
<source>Turns the right channel over, so that both work together.</source>
<translation>Dreht den rechten Kanal um, so dass beide zusammenarbeiten.</translation>
</message>
<message id="De-clip">
<source>De-clip</source>
<translation>De-Clip</translation>
</message>
<message id="Rebuilds peaks that were cut flat. Peaks rise above full scale where they belong there: leave headroom.">
<source>Rebuilds peaks that were cut flat. Peaks rise above full scale where they belong there: leave headroom.</source>
<translation>Baut flach geschnittene Spitzen neu auf. Spitzen steigen über Vollaussteuerung, wo sie dorthin gehören: Aussteuerungsreserve lassen.</translation>
</message>
<message id="De-click">
<source>De-click</source>
<translation>De-Click</translation>
</message>
<message id="Replaces ticks by what belongs there. Too much takes the edge off consonants and plucked strings.">
<source>Replaces ticks by what belongs there. Too much takes the edge off consonants and plucked strings.</source>
<translation>Ersetzt Ticks durch das, was dorthin gehört. Zu viel nimmt Konsonanten und gezupften Saiten die Kante.</translation>
</message>
<message id="De-hum">
<source>De-hum</source>
<translation>De-Hum</translation>
</message>
<message id="Takes out the mains tone and its harmonics, as they drift. Too much rings on low voices.">
<source>Takes out the mains tone and its harmonics, as they drift. Too much rings on low voices.</source>
<translation>Nimmt den Netzton und seine Obertöne heraus, wie sie wandern. Zu viel klingelt bei tiefen Stimmen.</translation>
</message>
<message id="De-rumble">
<source>De-rumble</source>
<translation>De-Rumble</translation>
</message>
<message id="Takes out what lies below. Too high, and the voice grows thin.">
<source>Takes out what lies below. Too high, and the voice grows thin.</source>
<translation>Nimmt heraus, was darunter liegt. Zu hoch, und die Stimme wird dünn.</translation>
</message>
<message id="De-plosive">
<source>De-plosive</source>
<translation>De-Plosive</translation>
</message>
<message id="Takes the thump out of p and b, below 120 Hz and only there. Too much leaves them without body.">
<source>Takes the thump out of p and b, below 120 Hz and only there. Too much leaves them without body.</source>
<translation>Nimmt den Schlag aus p und b, unter 120 Hz und nur dort. Zu viel lässt sie ohne Körper.</translation>
</message>
<message id="De-wind">
<source>De-wind</source>
<translation>De-Wind</translation>
</message>
<message id="Pushes gusts below 160 Hz down to where the voice covers them. Too much and the voice grows thin in every gust.">
<source>Pushes gusts below 160 Hz down to where the voice covers them. Too much and the voice grows thin in every gust.</source>
<translation>Drückt Böen unter 160 Hz dorthin, wo die Stimme sie zudeckt. Zu viel, und die Stimme wird in jeder Böe dünn.</translation>
</message>
<message id="De-hiss">
<source>De-hiss</source>
<translation>De-Hiss</translation>
</message>
<message id="Lowers steady noise, learned from the pauses. Too much sounds under water and hard to understand.">
<source>Lowers steady noise, learned from the pauses. Too much sounds under water and hard to understand.</source>
<translation>Senkt gleichmäßiges Rauschen, gelernt aus den Pausen. Zu viel klingt wie unter Wasser und schwer verständlich.</translation>
</message>
<message id="De-reverb">
<source>De-reverb</source>
<translation>De-Reverb</translation>
</message>
<message id="Takes the room&apos;s answer out of the voice. Too much sounds dull, as through a cloth.">
<source>Takes the room&apos;s answer out of the voice. Too much sounds dull, as through a cloth.</source>
<translation>Nimmt die Antwort des Raums aus der Stimme. Zu viel klingt dumpf, wie durch ein Tuch.</translation>
</message>
<message id="De-ess">
<source>De-ess</source>
<translation>De-Ess</translation>
</message>
<message id="Lowers sharp s between 6 and 10 kHz, at most by this. Too much lisps.">
<source>Lowers sharp s between 6 and 10 kHz, at most by this. Too much lisps.</source>
<translation>Senkt scharfe s zwischen 6 und 10 kHz, höchstens um so viel. Zu viel lispelt.</translation>
</message>
<message id="There is no treatment &quot;%1&quot;: choose of %2.">
<source>There is no treatment &quot;%1&quot;: choose of %2.</source>
<translation>Es gibt keine Behandlung „%1“: eine davon wählen: %2.</translation>
</message>
<message id="%1 is not an amount for %2: give %3 to %4 %5.">
<source>%1 is not an amount for %2: give %3 to %4 %5.</source>
<translation>%1 ist kein Maß für %2: %3 bis %4 %5 geben.</translation>
</message>
<message id="&quot;%1&quot; is not an amount for %2: give a number.">
<source>&quot;%1&quot; is not an amount for %2: give a number.</source>
<translation>„%1“ ist kein Maß für %2: eine Zahl geben.</translation>
</message>
<message id="The treatment ">
<source>The treatment </source>
<translation>Die Behandlung </translation>
</message>
<message id="The treatment %1 is set twice: set it once.">
<source>The treatment %1 is set twice: set it once.</source>
<translation>Die Behandlung %1 ist zweimal gesetzt: einmal setzen.</translation>
</message>
<message id="there is no place &quot;%1&quot; where a treatment works.">
<source>there is no place &quot;%1&quot; where a treatment works.</source>
<translation>es gibt keinen Ort „%1“, an dem eine Behandlung wirkt.</translation>
</message>
<message id="The treatments cannot be read: %1.">
<source>The treatments cannot be read: %1.</source>
<translation>Die Behandlungen lassen sich nicht lesen: %1.</translation>
</message>
<message id="The treatments cannot be read: ">
<source>The treatments cannot be read: </source>
<translation>Die Behandlungen lassen sich nicht lesen: </translation>
</message>
<message id="silent clock">
<source>silent clock</source>
<translation>stille Uhr</translation>
</message>
<message id="sound card">
<source>sound card</source>
<translation>Soundkarte</translation>
</message>
<message id="Nothing was recorded: the recording did not play, or the device stopped.">
<source>Nothing was recorded: the recording did not play, or the device stopped.</source>
<translation>Nichts wurde aufgenommen: die Aufnahme spielte nicht, oder das Gerät hielt an.</translation>
</message>
</context>
</TS>
