@echo off
rem Starts Loose Echo from its own folder; Java 17 or newer must be there.
setlocal
set "HERE=%~dp0"
set "JAVA=java"
if defined JAVA_HOME if exist "%JAVA_HOME%\bin\java.exe" set "JAVA=%JAVA_HOME%\bin\java.exe"
"%JAVA%" -version >nul 2>&1
if errorlevel 1 (
  echo Loose Echo needs Java 17 or newer.
  pause
  exit /b 1
)
for %%c in (analyze template render separate sounds drawer compare pack profile) do if /i "%~1"=="%%c" goto shell
"%JAVA%" --module-path "%HERE%javafx\win" --add-modules javafx.controls,javafx.swing -XX:+UseSerialGC -Xshare:auto -XX:+IgnoreUnrecognizedVMOptions -XX:Tier4InvocationThreshold=25000 -XX:Tier4MinInvocationThreshold=5000 -XX:Tier4CompileThreshold=60000 -cp "%HERE%lib\*" looseecho.desktop.Launcher %*
exit /b %errorlevel%
:shell
"%JAVA%" -cp "%HERE%lib\*" looseecho.cli.Main %*
exit /b %errorlevel%
